import type { ConversationRow, Place } from './api/client'
import { nearDay, nearMoment, dateOf } from './time/format'

/** Where a conversation is, to go after "It is". */
export function placeText(row: ConversationRow): string {
  switch (row.place) {
    case 'tray':
      return 'in the tray'
    case 'away':
      if (row.owedBy && row.awayUntil) {
        return `away: ${row.owedBy} owes you an answer by ${nearMoment(row.awayUntil)}`
      }
      if (row.awayUntil && row.awayReason === 'held')
        return `here already, and comes in ${nearMoment(row.awayUntil)}`
      if (row.awayUntil && row.awayReason === 'answer') {
        return `away until they answer, at the latest ${nearMoment(row.awayUntil)}`
      }
      if (row.awayUntil && row.awayReason === 'next_clearing') {
        return `away until you next clear the tray, at the latest ${nearMoment(row.awayUntil)}`
      }
      return row.awayUntil ? `away and comes back ${nearMoment(row.awayUntil)}` : 'away'
    case 'archive':
      return row.muted ? 'in the archive, muted' : 'in the archive'
    case 'bin':
      return row.binnedAt ? `in the bin since ${nearDay(dateOf(row.binnedAt))}` : 'in the bin'
    case 'blocked':
      return 'in Blocked'
  }
}

/** Where can be looked; muted ones lie in the archive. */
export type FindPlace = Place | 'muted' | ''

export const PLACES: { value: FindPlace; text: string }[] = [
  { value: '', text: 'Everywhere' },
  { value: 'tray', text: 'Tray' },
  { value: 'away', text: 'Away' },
  { value: 'archive', text: 'Archive' },
  { value: 'muted', text: 'Muted' },
  { value: 'bin', text: 'Bin' },
  { value: 'blocked', text: 'Blocked' },
]
