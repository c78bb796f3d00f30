import { computed, ref, watch, type Ref } from 'vue'
import type { DayAsk } from '@/shared/api/client'
import { keyOf } from './asks'

/**
 * Goes from one thing to the next. What was answered leaves the list by itself; what is passed over is left out until it is
 * asked for again.
 */
export function useWalk(asks: Ref<readonly DayAsk[] | undefined>) {
  const passed = ref<string[]>([])
  /** What was answered and is still in the list, which is being asked for again. */
  const answered = ref(new Set<string>())
  const decided = ref(0)
  const open = computed(() => (asks.value ?? []).filter((one) => !answered.value.has(keyOf(one))))
  const left = computed(() => open.value.filter((one) => !passed.value.includes(keyOf(one))))
  const current = computed(() => left.value[0])
  const skipped = computed(() => open.value.filter((one) => passed.value.includes(keyOf(one))))
  // What was undone is in the list again, and is asked about again.
  watch(asks, (now) => {
    const there = new Set((now ?? []).map(keyOf))
    for (const key of answered.value) if (!there.has(key)) answered.value.delete(key)
  })

  /** Runs the answer; when it is refused, the thing stays. */
  async function take(ask: DayAsk, run: () => Promise<boolean>): Promise<void> {
    const key = keyOf(ask)
    answered.value.add(key)
    decided.value += 1
    if (await run()) return
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
