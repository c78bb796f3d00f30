import { computed, ref } from 'vue'
import type { Due, PutOff, TaskRow } from '@/api/client'
import { day } from '@/time/format'

export type What = NonNullable<PutOff['what']>

interface PuttingOff {
  tasks: TaskRow[]
  /** What is moved unless the person says otherwise; null: whatever suits each */
  what: What | null
  done?: (() => void) | undefined
}

const current = ref<PuttingOff | null>(null)

/** The tasks that are to be put off, while it is asked until when. */
export const puttingOff = computed(() => current.value as PuttingOff | null)

export function putOff(tasks: TaskRow[], more: { what?: What; done?: () => void } = {}): void {
  if (tasks.length) current.value = { tasks, what: more.what ?? null, done: more.done }
}

export const stopPuttingOff = () => (current.value = null)

export const dueText = (due: Due | null): string =>
  due ? day(due.date) + (due.time ? `, ${due.time}` : '') : 'none'

export const isSame = (one: Due | null, other: Due | null): boolean =>
  one?.date === other?.date && one?.time === other?.time
