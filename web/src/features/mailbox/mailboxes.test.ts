import { expect, test } from 'vitest'
import type { Mailbox } from '@/shared/api/client'
import { foundOut, spansOf, wantedThere } from './mailboxes'

const days = (counts: Record<number, number>, inbox: number) =>
  spansOf(
    Object.entries(counts).map(([days, messages]) => ({ days: Number(days), messages })),
    inbox,
  ).map((one) => one.days)

test.each([
  ['each holds more', { 3: 35, 14: 81, 30: 128, 90: 252, 365: 603 }, 1200, [3, 14, 30, 90, 365]],
  ['what holds all is no part', { 3: 1, 14: 2, 30: 2, 90: 2, 365: 2 }, 2, [3]],
  ['what holds no more says nothing', { 3: 1, 14: 1, 30: 1, 90: 5, 365: 5 }, 9, [3, 14, 90]],
  ['the usual one is there even when it holds nothing', { 3: 0, 14: 0, 30: 0, 90: 0, 365: 4 }, 9, [14, 365]],
  ['an empty inbox', { 3: 0, 14: 0, 30: 0, 90: 0, 365: 0 }, 0, []],
])('%s', (_, counts, inbox, expected) => {
  expect(days(counts, inbox)).toEqual(expected)
})

test.each([
  ['move', 'archive', 'to Archive'],
  ['move', 'inbox', 'to the inbox'],
  ['move', 'other', 'to another folder'],
  ['append', 'sent', 'into Sent'],
  ['seen', null, 'marked as read or not'],
  ['told', null, 'marked as answered'],
] as const)('what was to be done there: %s %s', (what, to, said) => {
  expect(wantedThere({ id: 1, subject: 'Roof', conversation: null, problem: '', what, to })).toBe(said)
})

test.each([
  [null, null, ''],
  [null, true, 'The server does it, as was found.'],
  [null, false, 'The server does not, as was found.'],
  [true, false, ''],
])('who keeps what is sent: %s, found %s', (keepsSent, sentFound, said) => {
  expect(foundOut({ keepsSent, sentFound } as Mailbox)).toBe(said)
})
