import type { QueryKey } from '@tanstack/vue-query'
import type { Entry } from '../api/client'

type Thing = Entry['touched'][number]

const NOTHING: Thing[] = []

/**
 * From which kinds of things each answer is made, by the first name of its query's key. What is not among them, and
 * what stands here as null, is asked for again after each step.
 */
const MADE_FROM: Record<string, Thing[] | null> = {
  agenda: ['slot', 'event', 'task', 'list', 'day_plan'],
  'agenda-address': NOTHING,
  balances: ['slot', 'event', 'task', 'list', 'stretch'],
  blocked: ['blocked_sender'],
  clearing: null,
  coming: ['card', 'conversation', 'task', 'list', 'ring', 'outgoing', 'owed'],
  contacts: ['contact'],
  conversation: null,
  copies: ['conversation', 'task'],
  corrections: ['correction'],
  day: ['card', 'conversation', 'task', 'list', 'ring', 'outgoing', 'owed'],
  days: ['conversation', 'task', 'list', 'ring', 'outgoing', 'owed'],
  'event-proposal': NOTHING,
  evening: ['conversation', 'task', 'list', 'slot', 'event', 'stretch', 'day_plan'],
  event: ['event', 'conversation'],
  find: ['label', 'reading', 'borne', 'card', 'list', 'conversation', 'task', 'outgoing', 'owed'],
  'find-read': ['list', 'label'],
  'find-things': null,
  foreseen: ['stamp', 'template'],
  heartbeat: null,
  importance: ['conversation', 'owed', 'outgoing', 'blocked_sender', 'correction'],
  invitation: ['event'],
  jot: ['list', 'task'],
  journal: null,
  labels: ['label', 'borne', 'task', 'conversation'],
  'list-history': null,
  'list-note': ['list'],
  'list-people': ['card', 'conversation', 'owed', 'outgoing'],
  'list-stages': ['card', 'task', 'list', 'conversation', 'label', 'borne', 'reading', 'owed', 'outgoing'],
  lists: ['list', 'task', 'card', 'reference'],
  'look-back': ['conversation', 'task', 'list', 'slot', 'event', 'owed', 'outgoing', 'stretch', 'day_plan'],
  'mail-ways': NOTHING,
  mailboxes: NOTHING,
  message: ['conversation', 'task'],
  'message-at': ['conversation', 'task'],
  morning: ['conversation', 'task', 'list', 'slot', 'event', 'owed', 'outgoing', 'day_plan'],
  orders: ['order', 'conversation'],
  outgoing: ['outgoing', 'conversation', 'task', 'owed'],
  outline: ['list', 'task'],
  owed: ['owed', 'conversation', 'outgoing', 'task', 'contact'],
  past: ['order', 'conversation', 'label', 'borne'],
  people: ['contact', 'conversation', 'outgoing', 'owed', 'blocked_sender'],
  'put-off': ['task', 'list'],
  references: ['reference', 'list', 'conversation'],
  rest: ['conversation', 'task', 'outgoing', 'owed', 'blocked_sender'],
  'search-count': null,
  searches: ['kept_search'],
  session: NOTHING,
  sessions: NOTHING,
  'share-kept-free': NOTHING,
  'snooze-choices': NOTHING,
  source: ['conversation', 'task'],
  stamps: ['stamp'],
  subscriptions: NOTHING,
  task: ['stretch', 'label', 'task', 'list', 'conversation', 'ring', 'outgoing', 'owed'],
  tasks: ['label', 'task', 'list', 'conversation', 'ring', 'outgoing', 'owed'],
  templates: ['template'],
  tray: [
    'label',
    'reading',
    'borne',
    'card',
    'list',
    'conversation',
    'owed',
    'outgoing',
    'blocked_sender',
    'correction',
  ],
  usual: ['stretch'],
  ways: ['slot', 'event', 'task', 'list'],
  when: NOTHING,
}

/** The names of all queries, for the test that none is forgotten. */
export const known = (): string[] => Object.keys(MADE_FROM)

/** Whether what such a query gave may look different after things of these kinds were changed; of none: of any. */
export function isMadeFrom([name]: QueryKey, touched: ReadonlySet<Thing>): boolean {
  if (name === 'session') return false
  const things = MADE_FROM[String(name)]
  return !things || (touched.size === 0 ? true : things.some((thing) => touched.has(thing)))
}
