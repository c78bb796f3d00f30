import { computed, ref } from 'vue'
import type { Entry } from '@/api/client'

const KEPT = 4

const entries = ref<Entry[]>([])

/** The last few things that were done in this window, the newest first. */
export const trail = computed(() => entries.value)

/** An undoing takes the entry that it undid off the trail; everything else is put on it. */
export function remember(entry: Entry): void {
  const undone = entry.undoes?.id
  entries.value = undone
    ? entries.value.filter(({ id }) => id !== undone)
    : [entry, ...entries.value].slice(0, KEPT)
}
