import { computed, ref, watch, type Ref } from 'vue'
import type { DayAsk } from '@/shared/api/client'
import { keyOf } from './asks'

/**
 * Goes from one thing to the next. What was answered leaves the list by itself; what is passed over is left out until it is
 * asked for again.
 *
 * @param askedAt when the list was asked for last
 */
export function useWalk(asks: Ref<readonly DayAsk[] | undefined>, askedAt: Ref<number>) {
  const passed = ref<string[]>([])
  /** What was answered and is still in the list, which is being asked for again. */
  const answered = ref(new Set<string>())
  const decided = ref(0)
  const open = computed(() => (asks.value ?? []).filter((one) => !answered.value.has(keyOf(one))))
  const left = computed(() => open.value.filter((one) => !passed.value.includes(keyOf(one))))
  const current = computed(() => left.value[0])
  const skipped = computed(() => open.value.filter((one) => passed.value.includes(keyOf(one))))
  /** Of those, what the server has accepted: what is asked for from then on is how it is, also when it was undone meanwhile. */
  const accepted = new Set<string>()
  watch(
    askedAt,
    () => {
      for (const key of accepted) answered.value.delete(key)
      accepted.clear()
    },
    { flush: 'sync' },
  )

  /** Runs the answer; when it is refused, the thing stays. */
  async function take(ask: DayAsk, run: () => Promise<boolean>): Promise<void> {
    const key = keyOf(ask)
    answered.value.add(key)
    decided.value += 1
    if (await run()) return void accepted.add(key)
    answered.value.delete(key)
    decided.value -= 1
  }
  function pass(): void {
    if (current.value) passed.value.push(keyOf(current.value))
  }
  const back = (): unknown => passed.value.pop()
  const again = (): void => void (passed.value = [])

  return { current, left, skipped, passed, decided, take, pass, back, again }
}
