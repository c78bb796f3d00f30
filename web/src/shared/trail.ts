import { computed, ref } from 'vue'
import type { Entry } from './api/client'

const KEPT = 4

const entries = ref<Entry[]>([])

/** Milliseconds for which a slip says what was done; after that it is in the list behind "Undo", and in the journal. */
const STAYS = 8_000

/** So many slips at once at the most. */
const SLIPS = 2

const fresh = ref<string[]>([])

/** What was done a moment ago, the newest first. */
export const slips = computed(() =>
  entries.value.filter(({ id }) => fresh.value.includes(id)).slice(0, SLIPS),
)

function showSlip({ id }: Entry): void {
  fresh.value = [...fresh.value, id]
  setTimeout(() => (fresh.value = fresh.value.filter((one) => one !== id)), STAYS)
}

/** The last few things that were done in this window, the newest first. */
export const trail = computed(() => entries.value)

const underway = ref(new Set<Promise<unknown>>())

/** Whether there is, or will be in a moment, something to undo. */
export const hasSteps = computed(() => entries.value.length > 0 || underway.value.size > 0)

/** Something is being done whose entry will be on the trail when it is done. */
export async function follow<T>(step: Promise<T>): Promise<T> {
  underway.value = new Set([...underway.value, step])
  try {
    return await step
  } finally {
    underway.value = new Set([...underway.value].filter((other) => other !== step))
  }
}

/** The step that was begun last, once everything that is under way has been answered. */
export async function lastStep(): Promise<Entry | undefined> {
  await Promise.allSettled(underway.value)
  return entries.value[0]
}

/** An undoing takes the entry that it undid off the trail; everything else is put on it. */
export function remember(entry: Entry): void {
  const undone = entry.undoes?.id
  if (!undone) showSlip(entry)
  entries.value = undone
    ? entries.value.filter(({ id }) => id !== undone)
    : [entry, ...entries.value].slice(0, KEPT)
}

/** Off the trail: it cannot be undone any more. */
export function letGo(entry: Entry): void {
  entries.value = entries.value.filter(({ id }) => id !== entry.id)
}
