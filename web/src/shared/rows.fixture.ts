import type { ConversationRow } from './api/client'

/** A row of the tray for tests, from what matters in them. */
export const row = (more: Partial<ConversationRow> & { id: string }): ConversationRow =>
  ({
    subject: more.id,
    who: 'Edda Lunt',
    latestAt: '2026-11-27T09:00:00Z',
    unread: false,
    returned: false,
    revision: 1,
    advice: null,
    ...more,
  }) as ConversationRow
