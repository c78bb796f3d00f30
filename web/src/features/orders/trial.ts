import { ref } from 'vue'
import { answer, api, newId, type Condition, type ConversationRow, type StampStep } from '@/shared/api/client'
import { tell } from '@/shared/notice'

export interface Tried {
  row: ConversationRow
  same: boolean
  steps: { text: string; refused: boolean }[]
}

/** So many of those that are meant are kept to be shown. */
const SHOWN = 200

/**
 * Looks through the mail of the last year, a part at a time, for what an order would mean. It goes on until all was
 * looked at, or something else is tried.
 */
export function useTrial() {
  const found = ref<Tried[]>([])
  const count = ref(0)
  const same = ref(0)
  const seen = ref(0)
  const state = ref<'none' | 'looking' | 'done'>('none')
  let round = 0

  async function look(condition: Condition, steps: StampStep[]): Promise<void> {
    const own = ++round
    found.value = []
    count.value = same.value = seen.value = 0
    state.value = 'looking'
    let after = ''
    do {
      const part = await answer(api.POST('/order-trials', { body: { condition, steps, after } }))
      if (own !== round) return
      seen.value += part.seen
      count.value += part.found.length
      same.value += part.found.filter((one) => one.same).length
      found.value = [...found.value, ...part.found].slice(0, SHOWN)
      after = part.next ?? ''
    } while (after)
    state.value = 'done'
  }

  return {
    found,
    count,
    same,
    seen,
    state,
    /** Throws when the condition makes no sense. */
    look,
    stop: () => {
      ++round
      state.value = 'none'
    },
  }
}

/** Carries an order out on the mail of the last year, a part at a time. */
export function useOnOld() {
  const [done, seen, busy] = [ref(0), ref(0), ref(false)]
  const troubles = ref<string[]>([])
  const isStopped = ref(false)

  async function carryOut(id: string): Promise<void> {
    const run = newId()
    done.value = seen.value = 0
    troubles.value = []
    busy.value = true
    isStopped.value = false
    let after = ''
    try {
      do {
        const part = await answer(
          api.POST('/orders/{id}/old', { params: { path: { id } }, body: { run, after } }),
        )
        done.value += part.done
        seen.value += part.seen
        troubles.value = [...new Set([...troubles.value, ...part.troubles])].slice(0, 5)
        after = isStopped.value ? '' : (part.next ?? '')
      } while (after)
    } catch (problem) {
      tell(problem)
    } finally {
      busy.value = false
    }
  }
  return { done, seen, busy, troubles, carryOut, stop: () => (isStopped.value = true) }
}
