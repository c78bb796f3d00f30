<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Outgoing, When } from '@/shared/api/client'
import LetterSheet from './LetterSheet.vue'
import { attempt } from '@/shared/notice'
import WhenDialog from '@/ui/WhenDialog.vue'
import { freeKeys, holdKeys } from '@/shared/typing/held'
import { keep, peek } from '@/shared/typing/kept'
import FailedState from '@/ui/FailedState.vue'
import { Problem } from '@/shared/api/problem'
import WriteSheet from './WriteSheet.vue'
import { waitedAt } from './untilSent'
import type { Waited, Writing } from './draft'
import { readOutgoing } from './queries'
import { useWriteSteps } from './steps'

/** A message of its own: a new one, a draft, the reminder of what is owed, or a task that is handed over. */
const props = defineProps<{ id?: string }>()
const route = useRoute()
const router = useRouter()
const writing = shallowRef<Writing | null>(null)
/** One that is no draft: it is shown, and stays as it is. */
const given = shallowRef<Outgoing | null>(null)
const moving = ref(false)
const wrong = ref<Error | null>(null)
const { takeBack, sendMail } = useWriteSteps()

const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined)

async function open(): Promise<void> {
  wrong.value = null
  const [owed, task] = [text(route.query.owed), text(route.query.task)]
  if (!props.id) {
    writing.value = {
      kind: 'new',
      then: task ? 'hand_over' : null,
      owed,
      task,
      to: text(route.query.to) ?? '',
    }
    return
  }
  try {
    const outgoing = await readOutgoing(props.id)
    const { row, message } = outgoing
    given.value = row.state === 'draft' ? null : outgoing
    if (given.value) return void freeKeys()
    const waited = peek<Waited>(waitedAt(props.id))?.value
    if (row.conversation && !waited) {
      await router.replace({
        name: 'conversation',
        params: { id: row.conversation },
        query: { draft: props.id },
      })
      return
    }
    writing.value = {
      id: props.id,
      kind: row.kind,
      then: null,
      message: message ?? undefined,
      ...(waited ? { waited } : {}),
    }
  } catch (problem) {
    wrong.value = problem instanceof Problem ? problem : new Error('It could not be opened.')
  }
}
onMounted(open)

/** Only this takes it back. What it was to be is kept, so that it can be so again. */
async function edit(): Promise<void> {
  const row = given.value?.row
  if (!row) return
  holdKeys()
  await attempt(async () => {
    const entry = await takeBack(row.id)
    if (row.state === 'waiting')
      keep<Waited>(waitedAt(row.id), { entry: entry.id, at: row.later ? row.goesAt : null })
    await open()
  })
}

const sendNow = async (): Promise<void> => {
  if (
    given.value &&
    (await attempt(() => sendMail(given.value?.row.id ?? '', { atOnce: true, despite: true })))
  )
    leave()
}

async function move(at: When): Promise<void> {
  const id = given.value?.row.id
  if (!id || !(await attempt(() => sendMail(id, { at, despite: true })))) return
  moving.value = false
  await open()
}

const leave = () => void router.replace(String(router.options.history.state.back ?? '/'))
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1>{{ given ? 'A letter' : 'Write' }}</h1>
    </div>
    <FailedState v-if="wrong" :error="wrong" @again="open" />
    <LetterSheet
      v-else-if="given"
      :outgoing="given"
      @edit="edit"
      @now="sendNow"
      @move="moving = true"
      @close="leave"
    />
    <WriteSheet v-else-if="writing" :writing="writing" @sent="leave" @close="leave" />
    <WhenDialog
      :title="moving ? `When does “${given?.row.subject || 'no subject'}” go out?` : ''"
      label="Goes out"
      first="tomorrow morning"
      @choose="move"
      @close="moving = false"
    />
  </div>
</template>
