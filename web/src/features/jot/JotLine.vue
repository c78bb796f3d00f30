<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, reactive, ref, toRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/shared/api/client'
import { EVERYWHERE, useKeys } from '@/shared/keys/registry'
import { useTyped } from '@/shared/typing/kept'
import KeyCap from '@/ui/KeyCap.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { attempt } from '@/shared/notice'
import { offerList } from '@/features/tasks'
import { matching } from './go'
import GoList from './GoList.vue'
import { useJotSteps } from './steps'
import { useGoings } from './useGoings'

/** One line, from everywhere: a task is written down, clause by clause; or a message's address is opened. */
const router = useRouter()
const { jot } = useJotSteps()
const open = ref(false)
/** What was typed is still there when the line is opened again, also after a reload. */
const jotted = reactive({ line: '' })
const { accept } = useTyped('jot', jotted)
const line = toRef(jotted, 'line')
const settled = refDebounced(
  computed(() => line.value),
  120,
)
const busy = ref(false)
const show = () => (open.value = true)

const address = computed(() => {
  const text = line.value.trim()
  if (/^mid:\S+$/i.test(text)) return text
  return /^(?:https?:\/\/[^/]+)?\/m\/(\S+)$/.exec(text)?.[1] ?? ''
})
const all = useGoings(settled, open)
/** What the line names instead of a task; the one that Enter takes. */
const goings = computed(() => (address.value ? [] : matching(all.value, line.value)))
const at = ref(0)
watch(line, () => (at.value = 0))
const move = (by: number) => (at.value = Math.max(0, Math.min(goings.value.length, at.value + by)))
const going = computed(() => goings.value[at.value])
async function take(index: number): Promise<void> {
  at.value = index
  const one = goings.value[index]
  if (!one) return write()
  line.value = ''
  accept()
  open.value = false
  // The keys belong to the page again, and the focus is where it was.
  await nextTick()
  await nextTick()
  await attempt(async () => void (await one.run()))
}
const { data } = useQuery({
  queryKey: ['jot', settled],
  queryFn: ({ signal }) => answer(api.POST('/jot', { signal, body: { line: settled.value } })),
  enabled: () => open.value && settled.value.trim() !== '' && !address.value,
  staleTime: 20_000,
})
const clauses = computed(() =>
  line.value.trim() && settled.value === line.value ? (data.value?.clauses ?? []) : [],
)
const unread = computed(() => clauses.value.slice(1).filter(({ kind }) => kind === 'unread').length)

const NAMES = {
  title: 'Task',
  due: 'Due',
  start: 'Start',
  repeat: 'Repeat',
  reminder: 'Remind',
  list: 'List',
  labels: 'Label',
  priority: 'Priority',
  estimate: 'Takes',
  note: 'Note',
  web: 'Source',
  when: 'When',
  place: 'Where',
  people: 'With',
  unread: 'Not read',
}

/** A list becomes tasks of its own; the line stays as it was. */
const pasted = (event: ClipboardEvent) => offerList(event, {}, () => (open.value = false))

async function write(): Promise<void> {
  if (address.value) {
    const to = decodeURIComponent(address.value)
    line.value = ''
    open.value = false
    await router.push({ name: 'message', params: { id: to } })
    return
  }
  if (!line.value.trim() || busy.value) return
  busy.value = true
  const text = line.value
  if (await attempt(() => jot(text))) {
    line.value = ''
    accept()
    open.value = false
  }
  busy.value = false
}

useKeys(EVERYWHERE, [{ key: ';', label: 'Go anywhere, do anything, or jot a task in one line', run: show }])
defineExpose({ show })
</script>

<template>
  <ModalDialog :open="open" max-width="760" location="top" class="jot" name="Jot" @close="open = false">
    <form class="sheet" novalidate @submit.prevent="going ? take(at) : write()">
      <v-text-field
        v-model="line"
        v-first
        label="Go anywhere, do anything, or jot: what is to be done?"
        placeholder="Order brass polish; by friday 3pm; remind 2h before; list Supplies"
        persistent-placeholder
        maxlength="4000"
        autocomplete="off"
        hide-details
        :aria-controls="goings.length ? 'goings' : undefined"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.ctrl.enter.prevent="write"
        @paste="pasted"
      />
      <GoList v-if="goings.length" :goings="goings" :at="at" @take="take" />
      <ul
        v-if="clauses.length && !going"
        class="clauses"
        aria-live="polite"
        aria-label="How the line is read"
      >
        <li v-for="clause in clauses" :key="clause.from" :class="clause.kind">
          <span class="kind">{{
            clause.kind === 'title' && data?.makes === 'event' ? 'Event' : NAMES[clause.kind]
          }}</span>
          <span v-if="clause.kind === 'unread' && clause.text" class="text">{{ clause.text }}</span>
          <span class="reading">{{ clause.reading }}</span>
          <span v-if="clause.others.length" class="slate">or {{ clause.others.join(', or ') }}</span>
          <span v-if="clause.odd" class="odd">{{ clause.odd }}</span>
        </li>
      </ul>
      <p v-else-if="address && !going" class="slate">Enter opens this message alone.</p>
      <p v-else-if="!going" class="slate">
        A view, a list, somebody, a search or a command, by part of its name, goes there or does it. Anything
        else is a task. After the title, each behind a semicolon and all as you like: <b>by</b> friday 3pm ·
        <b>start</b> monday · <b>remind</b> 2h before · <b>list</b> Supplies · <b>label</b> harbour ·
        <b>high</b> · <b>every</b> month on the 1st · <b>20 min</b> · <b>note</b> … · https://…<br />
        An event: <b>event</b> Roof meeting; friday 2-4pm; <b>at</b> Keeper’s kitchen; <b>with</b> Ilse
      </p>
      <p v-if="unread" class="slate">What is not read goes into the notes.</p>
      <div class="actions">
        <span class="slate"
          ><KeyCap name="Enter" /> {{ going ? 'goes there or does it' : 'writes it down' }},
          <KeyCap name="Escape" /> keeps it here</span
        >
        <v-btn
          type="submit"
          color="primary"
          :loading="busy"
          :disabled="!address && !going && data?.writable === false"
        >
          {{ address ? 'Open it' : going ? 'Go' : 'Write it down' }}
        </v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 12px;
  margin-top: 56px;
  padding: 20px 24px 16px;
}

p {
  margin: 0;
  font-size: var(--type-note);
}

b {
  font-weight: 600;
  color: rgb(var(--v-theme-on-surface));
}

.clauses {
  display: grid;
  gap: 4px;
}

.clauses li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  padding: 3px 12px;
  border-left: 4px solid rgb(var(--v-theme-primary));
  background: rgb(from rgb(var(--v-theme-background)) r g b / 60%);
  border-radius: 0 7px 7px 0;
}

.kind {
  width: 62px;
  font-size: var(--type-small);
  color: var(--v-slate);
}

.title .reading {
  font-weight: 600;
}

.clauses .unread {
  border-left-color: rgb(var(--v-theme-error));
}

.unread .text {
  text-decoration: underline wavy rgb(var(--v-theme-error));
}

.unread .reading {
  color: rgb(var(--v-theme-error));
}

.odd {
  font-size: var(--type-note);
  color: rgb(var(--v-theme-warning));
}

.actions {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  font-size: var(--type-note);
}
</style>
