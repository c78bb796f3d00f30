import { watch } from 'vue'
import { answer, api, type ConversationRow } from '@/shared/api/client'

/**
 * What is on screen is read, once for each message that it has: whoever makes it unread again has it so.
 *
 * @param mark instead of telling the server at once
 */
export function useReading(
  row: () => ConversationRow | undefined,
  mark: (id: string) => void = (id) => void markRead(id),
): void {
  let seen = ''
  watch(
    row,
    (now) => {
      const sight = now ? `${now.id} ${now.messages}` : ''
      if (!now || sight === seen) return
      seen = sight
      if (now.unread) mark(now.id)
    },
    { immediate: true },
  )
}

/** Nobody waits for it, and it is no trouble to anybody when it fails. */
export const markRead = (id: string): Promise<unknown> =>
  answer(api.PUT('/conversations/{id}/read', { params: { path: { id } } })).catch(() => undefined)
