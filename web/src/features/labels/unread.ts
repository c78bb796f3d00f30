import { answer, api } from '@/shared/api/client'
import { useAskAgain } from '@/shared/steps/steps'

/** The key that makes mail unread again, or read. */
export const UNREAD = 'F9'

/** Makes conversations unread again when all of them are read, and read otherwise. It can be turned back the same way. */
export function useUnread() {
  const askAgain = useAskAgain()
  return async (rows: { id: string; unread: boolean }[]): Promise<void> => {
    const unread = rows.every((row) => !row.unread)
    await answer(api.PUT('/unread', { body: { conversations: rows.map(({ id }) => id), unread } }))
    await askAgain(['conversation'])
  }
}
