import { shallowRef, watch } from 'vue'
import type { AnswerKind, Conversation, ConversationRow } from '@/api/client'
import { claimOf } from '@/api/deciding'
import type { Written } from '@/api/when'
import type { Writing } from './writing'

/** What somebody wants to write about a conversation. */
export interface Wanted {
  kind: AnswerKind
  then: Writing['then']
  to?: string
  what?: string
  until?: Written
}

/** The letter that is being written under a conversation. */
export function useAnswering(
  conversation: () => Conversation | undefined,
  row: () => ConversationRow | undefined,
  clearing: () => string | undefined = () => undefined,
) {
  const writing = shallowRef<Writing | null>(null)
  watch(
    () => row()?.id,
    () => (writing.value = null),
  )

  return {
    writing,
    close: () => (writing.value = null),
    /** Goes on with the draft that there is, or begins one. */
    write: (wanted: Wanted): void => {
      const [now, found] = [row(), conversation()]
      if (!now || found?.row.id !== now.id) return
      const draft = wanted.then === 'hand_over' ? undefined : found.drafts[0]
      const message = found.messages.findLast(({ own }) => !own) ?? found.messages.at(-1)
      writing.value = {
        ...wanted,
        ...(draft ? { id: draft.id } : {}),
        message: message?.id,
        claim: claimOf(now),
        clearing: clearing(),
      }
    },
    /** A draft of which only the id is known. */
    goOn: (id: string): void => {
      const now = row()
      if (now)
        writing.value = { id, kind: 'reply', then: 'do_now', claim: claimOf(now), clearing: clearing() }
    },
  }
}
