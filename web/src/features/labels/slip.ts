import { ref } from 'vue'
import type { LabelOn } from '@/shared/api/client'

/** The key that puts labels on. In a list of tasks, 7 does the same. */
export const LABEL = 'F4'

/** The key that puts mail into lists. */
export const LIST = 'F7'

/** What is to be labelled, mail or tasks, or put into lists, or to be looked up in one. */
export interface Bearer {
  kind?: 'list' | 'look-up'
  /** In words: "3 conversations" */
  what: string
  /** What each of them bears, or the lists that it belongs to */
  borne: LabelOn[][]
  /** By names of labels, or ids of lists */
  put: (on: string[], off: string[]) => Promise<unknown>
  /** When it is over */
  closed?: (() => unknown) | undefined
}

export const bearer = ref<Bearer | null>(null)

/** What was typed last and is not accepted yet; it stands there again. */
export const typed = ref('')

export const label = (of: Bearer): void => void (bearer.value = of)
