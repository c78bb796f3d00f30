import type { AdvisedDecision, ConversationRow } from '@/shared/api/client'
import { counted } from '@/shared/words'
import { type DecisionKind } from '@/shared/steps/decide'

export type CardKind = Exclude<DecisionKind, 'archive_rest' | 'bring_back' | 'put_back'> | 'make_task'

export interface Card {
  kind: CardKind
  key: string
  text: string
  /** What advice calls it; null when it is never advised */
  advised: AdvisedDecision | null
  /** It asks for something more before it is taken */
  asks: boolean
  /** What follows from it, before it is taken */
  follows: (rows: ConversationRow[]) => string
}

const one = (rows: ConversationRow[]) => (rows.length === 1 ? rows[0] : undefined)

export const CARDS: Card[] = [
  {
    kind: 'do_now',
    key: '1',
    text: 'Do it now',
    advised: 'now',
    asks: true,
    follows: () => 'two minutes, then the archive',
  },
  {
    kind: 'make_task',
    key: '2',
    text: 'Make a task',
    advised: 'task',
    asks: true,
    follows: (rows) =>
      one(rows) ? 'the mail goes to the archive' : `${counted(rows.length, 'task')}, mail to the archive`,
  },
  {
    kind: 'snooze',
    key: '3',
    text: 'Snooze',
    advised: 'snooze',
    asks: true,
    follows: () => 'away until a moment of your choice',
  },
  {
    kind: 'hand_over',
    key: '4',
    text: 'Hand over',
    advised: 'delegate',
    asks: true,
    follows: () => 'away until they answer, or a day',
  },
  {
    kind: 'archive',
    key: '5',
    text: 'Archive',
    advised: 'archive',
    asks: false,
    follows: () => 'nothing to do, found again',
  },
  {
    kind: 'delete',
    key: '6',
    text: 'Delete',
    advised: 'delete',
    asks: false,
    follows: () => 'in the bin for 30 days',
  },
  {
    kind: 'block',
    key: '7',
    text: 'Block sender',
    advised: 'block',
    asks: true,
    follows: (rows) => one(rows)?.email ?? counted(rows.length, 'sender'),
  },
  {
    kind: 'mute',
    key: '8',
    text: 'Mute',
    advised: null,
    asks: false,
    follows: () => 'stays out of the tray',
  },
]

/** What comes of following the advice, where nothing more is to be filled in. */
export const OUTCOMES: Partial<Record<CardKind, string>> = {
  do_now: 'A two-minute clock starts.',
  archive: 'The conversation goes to the archive.',
  delete: 'It stays in the bin for 30 days.',
}
