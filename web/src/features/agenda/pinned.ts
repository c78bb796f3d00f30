import { useLocalStorage } from '@vueuse/core'

/** Whether the row of today stands above the rail in every view. */
export const isPinned = useLocalStorage('zippy-agenda-pinned', false)
