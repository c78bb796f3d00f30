import type { AdvisedDecision, AdviceGroup, ConversationRow } from '@/shared/api/client'

/** What is advised, as one word of a row. */
export const ADVISED: Record<AdvisedDecision, string> = {
  now: 'do it now',
  task: 'make a task',
  snooze: 'snooze',
  delegate: 'hand over',
  archive: 'archive',
  delete: 'delete',
  block: 'block',
}

export const GROUPS: Record<AdviceGroup, string> = {
  asks: 'Asks you something',
  dated: 'Has a date',
  information: 'For information',
  automatic: 'Automatic',
  bulk: 'Bulk',
  suspicious: 'Suspicious',
}

/** The group of what has not been read by the program yet, or cannot be. */
export const UNREAD = 'Without advice'

const ORDER = Object.keys(GROUPS) as AdviceGroup[]

/** Back with you first, then by advice; within a group the newest first. */
export function groupedOrder(rows: ConversationRow[]): ConversationRow[] {
  const rank = (row: ConversationRow) =>
    row.returned ? -1 : row.advice ? ORDER.indexOf(row.advice.group) : ORDER.length
  return [...rows].sort((a, b) => rank(a) - rank(b))
}
