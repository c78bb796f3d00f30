import { ref } from 'vue'
import type { ConversationRow, Stamp } from '@/shared/api/client'
import { DECISIONS } from './draft'

/** A stamp that is about to be applied. */
export interface Stamping {
  stamp: Stamp
  rows: ConversationRow[]
  clearing?: string | undefined
  /** They were decided by it */
  decided: () => unknown
  /** It is over, and nothing was decided */
  closed: () => unknown
}

export const stamping = ref<Stamping | null>(null)

/** Whether a stamp decides what it is applied to. */
export const decides = ({ steps }: Pick<Stamp, 'steps'>): boolean =>
  steps.some((step) => DECISIONS.has(step.do))

/** What it does, in a few words. */
export const stepsText = ({ steps }: Pick<Stamp, 'steps'>): string => steps.map(({ text }) => text).join(', ')
