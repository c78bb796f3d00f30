import { computed, ref } from 'vue'
import type { Due, PutOff, TaskRow } from '@/shared/api/client'

export type What = NonNullable<PutOff['what']>

interface PuttingOff {
  tasks: TaskRow[]
  done?: (() => void) | undefined
}

const current = ref<PuttingOff | null>(null)

/** The tasks that are to be put off, while it is asked until when. */
export const puttingOff = computed(() => current.value as PuttingOff | null)

export function putOff(tasks: TaskRow[], done?: () => void): void {
  if (tasks.length) current.value = { tasks, done }
}

export const stopPuttingOff = () => (current.value = null)

export const isSame = (one: Due | null, other: Due | null): boolean =>
  one?.date === other?.date && one?.time === other?.time
