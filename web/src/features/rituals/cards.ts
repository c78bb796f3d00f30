import type { DayAsk } from '@/shared/api/client'

/** An answer, as it is shown. */
export interface AnswerCard {
  key: string
  text: string
  /** What comes of it */
  follows: string
  run: () => unknown
  /** What `Space` takes, too */
  first?: boolean
  /** It cannot be taken now */
  off?: boolean
  /** It stands, until it is pressed again */
  on?: boolean
}

type Runs = Record<
  'hour' | 'pocket' | 'tomorrow' | 'later' | 'handOver' | 'finish' | 'drop' | 'keystone',
  () => unknown
>

/** What comes of dropping it. */
const DROPPED = (ask: DayAsk): string =>
  ask.task ? 'deleted; undo brings it back' : ask.conversation ? 'archived' : 'nothing is owed any more'

/** Where the trouble is the due, that is what is put off. */
export const PUT_OFF: ReadonlySet<DayAsk['why']> = new Set(['over', 'due', 'put_off'])

const rest = (ask: DayAsk, run: Runs): AnswerCard[] => [
  {
    key: '3',
    text: 'Another time',
    follows: ask.owed
      ? 'more time for it'
      : ask.task && ask.why !== 'left' && ask.why !== 'began'
        ? 'put off'
        : 'you say when',
    run: run.later,
  },
  ...(ask.owed
    ? []
    : [
        {
          key: '4',
          text: 'Hand over',
          follows: ask.task ? 'somebody else owes it' : 'in the conversation',
          run: run.handOver,
        },
      ]),
  {
    key: '5',
    text: 'Done',
    follows: ask.owed ? 'the answer is there' : 'it is done already',
    run: run.finish,
  },
  { key: '6', text: ask.conversation ? 'Archive' : 'Drop it', follows: DROPPED(ask), run: run.drop },
]

/** The answers in the morning. */
export function morningCards(
  ask: DayAsk,
  keystone: string | null,
  run: Runs,
  isDayOff = false,
): AnswerCard[] {
  const task = ask.task
  return [
    {
      key: '1',
      text: ask.free ? `At ${ask.free}` : 'On an hour',
      follows: ask.free ? 'the next time that is free' : isDayOff ? 'a day off' : 'no room is left today',
      run: run.hour,
      first: !!ask.free,
      off: !ask.free,
    },
    { key: '2', text: 'Any time today', follows: 'into the pocket', run: run.pocket, first: !ask.free },
    ...rest(ask, run),
    ...(task
      ? [
          {
            key: '8',
            text: 'Keystone',
            follows: keystone === task.id ? 'of today' : 'the one that makes today a good day',
            run: run.keystone,
            on: keystone === task.id,
          },
        ]
      : []),
  ]
}

/** The answers in the evening. */
export const eveningCards = (ask: DayAsk, run: Runs): AnswerCard[] => [
  {
    key: '1',
    text: 'Tomorrow',
    follows: ask.why === 'left' ? 'into its pocket' : 'due then',
    run: run.tomorrow,
    first: true,
  },
  ...rest(ask, run),
]

/** The answers when one looks back over a week. */
export const weekCards = (ask: DayAsk, run: Runs, pass: () => unknown): AnswerCard[] => [
  { key: '1', text: 'Fine as it is', follows: 'it stays', run: pass, first: true },
  ...rest(ask, run),
]
