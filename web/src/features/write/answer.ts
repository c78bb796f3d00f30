import { shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { AnswerKind, Conversation, ConversationRow } from '@/shared/api/client'
import type { Written } from '@/shared/api/when'
import { holdKeys } from '@/shared/typing/held'
import type { Writing } from './draft'
import { claimOf } from '@/shared/steps/decide'

/** What somebody wants to write about a conversation. */
export interface Wanted {
  kind: AnswerKind
  then: Writing['then']
  to?: string
  what?: string
  until?: Written
}

/** What is to be written about conversations that are being opened for it, by conversation. */
const awaited = new Map<string, Wanted>()

const ANSWER: Wanted = { kind: 'reply', then: 'do_now' }

/** Writing about a conversation from where it is only a row: it is opened, with the letter under it. */
export function useWritingFrom() {
  const router = useRouter()
  return (row: Pick<ConversationRow, 'id'>, wanted: Wanted = ANSWER): void => {
    awaited.set(row.id, wanted)
    holdKeys()
    void router.push({ name: 'conversation', params: { id: row.id }, query: { write: wanted.kind } })
  }
}

/** What somebody wanted to write about a conversation, when it was opened for that. */
export function useAwaited(
  conversation: () => Conversation | undefined,
  write: (wanted: Wanted) => void,
): void {
  const route = useRoute()
  const router = useRouter()
  watch(
    () => [conversation()?.row.id, route.query.write] as const,
    ([id, kind]) => {
      if (!id || id !== route.params.id || typeof kind !== 'string') return
      const known = kind === 'forward' || kind === 'reply_all' ? { kind, then: null } : ANSWER
      write(awaited.get(id) ?? (known as Wanted))
      awaited.delete(id)
      void router.replace({ query: { ...route.query, write: undefined } })
    },
    { immediate: true, flush: 'post' },
  )
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
      holdKeys()
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
      if (!now) return
      holdKeys()
      writing.value = { id, kind: 'reply', then: 'do_now', claim: claimOf(now), clearing: clearing() }
    },
  }
}
