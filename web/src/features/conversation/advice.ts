import type { AdvisedDecision, AdviceGroup } from '@/shared/api/client'

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
