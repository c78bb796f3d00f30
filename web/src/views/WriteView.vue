<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { readOutgoing } from '@/api/writing'
import FailedState from '@/parts/FailedState.vue'
import { Problem } from '@/api/problem'
import WriteSheet from '@/parts/WriteSheet.vue'
import type { Writing } from '@/parts/writing'

/** A message of its own: a new one, a draft, the reminder of what is owed, or a task that is handed over. */
const props = defineProps<{ id?: string }>()
const route = useRoute()
const router = useRouter()
const writing = shallowRef<Writing | null>(null)
const wrong = ref<Error | null>(null)

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
    const { row, message } = await readOutgoing(props.id)
    if (row.conversation) {
      await router.replace({
        name: 'conversation',
        params: { id: row.conversation },
        query: { draft: props.id },
      })
      return
    }
    writing.value = { id: props.id, kind: row.kind, then: null, message: message ?? undefined }
  } catch (problem) {
    wrong.value = problem instanceof Problem ? problem : new Error('It could not be opened.')
  }
}
onMounted(open)

const leave = () => void router.replace(String(router.options.history.state.back ?? '/'))
</script>

<template>
  <div class="view">
    <div class="view-head"><h1>Write</h1></div>
    <FailedState v-if="wrong" :error="wrong" @again="open" />
    <WriteSheet v-else-if="writing" :writing="writing" @sent="leave" @close="leave" />
  </div>
</template>
