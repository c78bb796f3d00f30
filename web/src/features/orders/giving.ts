import { ref } from 'vue'
import {
  answer,
  api,
  newId,
  type Condition,
  type Entry,
  type Order,
  type StampStep,
} from '@/shared/api/client'

/** A standing order while it is given or changed. */
export interface Giving {
  id: string
  isNew: boolean
  name: string
  condition: Condition
  steps: StampStep[]
  on: boolean
  last: boolean
  urgent: boolean
  /** For which mail it may be meant */
  choices: { name: string; condition: Condition; text: string }[]
  /** What of what was done cannot be part of it */
  left: string[]
}

/** The order that is being given, in a dialog of its own; null when none is. */
export const giving = ref<Giving | null>(null)

const NEW = { isNew: true, on: true, last: false, urgent: false, choices: [], left: [] }

export function giveOrder(from?: Order): void {
  giving.value = from
    ? { ...from, isNew: false, choices: [], left: [] }
    : { ...NEW, id: newId(), name: '', condition: { test: 'all', of: [{ test: 'from', is: '' }] }, steps: [] }
}

/** An order that does again what was just done, with such mail. */
export async function giveOrderOf({ id }: Pick<Entry, 'id'>): Promise<void> {
  const { choices, steps, left } = await answer(
    api.GET('/order-proposal', { params: { query: { entry: id } } }),
  )
  const [first] = choices
  giving.value = {
    ...NEW,
    id: newId(),
    name: first?.name ?? '',
    condition: first?.condition ?? { test: 'all', of: [{ test: 'from', is: '' }] },
    steps,
    choices,
    left,
  }
}
