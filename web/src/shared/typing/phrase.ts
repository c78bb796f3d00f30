import { ref, watch, type Ref } from 'vue'
import type { Written } from '@/shared/api/when'
import { drop, keep, peek } from './kept'

/**
 * One phrase that is asked for, now about this and now about that: what was typed is kept until it has been accepted.
 *
 * @param place about what it is asked; empty: nothing is asked
 * @param first with what it begins
 */
export function useKeptPhrase(
  place: () => string,
  first: () => string,
): { written: Ref<Written>; accept: (at: string) => void } {
  const written = ref<Written>({ phrase: '', reading: null })
  watch(
    place,
    (at) => (written.value = { phrase: at ? (peek<string>(at)?.value ?? first()) : '', reading: null }),
    { immediate: true },
  )
  watch(
    () => written.value.phrase,
    (phrase) => {
      const at = place()
      if (!at) return
      if (phrase && phrase !== first()) keep(at, phrase)
      else drop(at)
    },
    { flush: 'sync' },
  )
  return { written, accept: drop }
}
