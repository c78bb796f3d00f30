import { useSessionStorage } from '@vueuse/core'
import { watch } from 'vue'

/** Whether everything is hidden but what one works at: the bar, the rail, the counts and what was done last. */
export const alone = useSessionStorage('zippy-alone', false)

/** The key that hides the rest, and brings it back. */
export const ALONE = '_'

watch(alone, (now) => document.documentElement.toggleAttribute('data-alone', now), {
  immediate: true,
  flush: 'sync',
})
