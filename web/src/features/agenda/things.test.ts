import { expect, test } from 'vitest'
import type { AgendaDay, Event, TaskRow } from '@/shared/api/client'
import {
  clashing,
  daysBetween,
  hoursOf,
  inOrder,
  isInPocket,
  partOf,
  shifted,
  stretched,
  thingsOf,
} from './things'

const event = (over: Partial<Event>): Event => ({
  id: 'e',
  key: 'k',
  title: 'Roof meeting',
  place: '',
  begins: { date: '2026-11-27', time: '14:00' },
  ends: { date: '2026-11-27', time: '16:00' },
  minutes: 120,
  busy: true,
  repeats: false,
  told: false,
  status: 'confirmed',
  organiser: null,
  answer: null,
  people: 0,
  asked: false,
  news: false,
  source: null,
  calendar: null,
  ...over,
})
function thing(over: Partial<Event> = {}) {
  const [one] = thingsOf([], [event(over)], new Map())
  if (!one) throw new Error('There is none.')
  return one
}

test.each([
  ['2026-11-27', '2026-11-27', 0],
  ['2026-11-27', '2026-12-01', 4],
  ['2026-10-24', '2026-10-26', 2],
  ['2026-11-27', '2026-11-26', -1],
])('from %s to %s are %i days', (from, to, days) => expect(daysBetween(from, to)).toBe(days))

test.each([
  ['on its day', '2026-11-27', '14:00', 120, '2026-11-27', [840, 960]],
  ['on another', '2026-11-27', '14:00', 120, '2026-11-28', null],
  ['until midnight', '2026-11-27', '23:00', 60, '2026-11-28', null],
  ['over midnight, before it', '2026-11-27', '23:00', 120, '2026-11-27', [1380, 1440]],
  ['over midnight, behind it', '2026-11-27', '23:00', 120, '2026-11-28', [0, 60]],
  ['a whole day between', '2026-11-26', '23:00', 2000, '2026-11-27', [0, 1440]],
  ['a moment', '2026-11-27', '14:00', 0, '2026-11-27', [840, 840]],
  ['at no hour', '2026-11-27', null, 30, '2026-11-27', null],
])('part of a day: %s', (_, date, time, minutes, on, expected) => {
  const part = partOf({ date, time, minutes }, on)
  expect(part && [part.from, part.to]).toEqual(expected)
})

test('whole days lie in the pocket of each of them', () => {
  const days = thing({
    begins: { date: '2026-11-27', time: null },
    ends: { date: '2026-11-28', time: null },
    minutes: 0,
  })
  expect(
    ['2026-11-26', '2026-11-27', '2026-11-28', '2026-11-29'].map((date) => isInPocket(days, date)),
  ).toEqual([false, true, true, false])
  expect([days.days, hoursOf(days), hoursOf(thing())]).toEqual([2, '2 days', '14:00 to 16:00'])
})

test('a day is read in order', () => {
  const day: AgendaDay = {
    date: '2026-11-27',
    keystone: null,
    laidOut: false,
    closed: false,
    hours: null,
    there: 0,
    promised: 0,
    due: [],
    slots: [
      { id: 's', task: 't', date: '2026-11-27', time: '09:00', begins: null, minutes: 30, done: false },
      { id: 'p', task: 'gone', date: '2026-11-27', time: null, begins: null, minutes: 30, done: false },
    ],
  }
  const tasks = new Map([['t', { title: 'Polish the lens', source: { id: 'm', who: 'Ilse' } } as TaskRow]])
  const all = thingsOf([day], [event({})], tasks)
  expect(inOrder(all, '2026-11-27').map(({ title }) => title)).toEqual([
    'A task that was deleted',
    'Polish the lens',
    'Roof meeting',
  ])
  expect(all.find(({ id }) => id === 's')?.about).toBe('from Ilse')
})

test.each([
  [{}, { light: false, done: false, fixed: false, about: '' }],
  [{ busy: false }, { light: true }],
  [{ status: 'tentative' as const }, { light: true }],
  [
    { answer: 'declined' as const, busy: false },
    { done: true, about: 'declined' },
  ],
  [
    { status: 'cancelled' as const, place: 'tower' },
    { done: true, about: 'does not take place, tower' },
  ],
  [
    { organiser: { name: 'Olga', email: 'o@x.example' }, answer: 'needs-action' as const, people: 3 },
    { fixed: true, about: 'not answered, with 3' },
  ],
  [{ repeats: true }, { key: 'k', repeats: true }],
  [{ calendar: null }, { others: false }],
  [
    { calendar: 'Harbour office', place: 'slip' },
    { fixed: true, others: true, about: 'slip, Harbour office' },
  ],
])('an event %j', (over, expected) => expect(thing(over)).toMatchObject(expected))

test('moving keeps to the day, and lengths to what can be', () => {
  const spot = { date: '2026-11-27', time: '00:10', minutes: 30 }
  expect(shifted(spot, -15, '2026-11-28')).toEqual({ date: '2026-11-28', time: '00:00', minutes: 30 })
  expect(shifted({ ...spot, time: '23:50' }, 15, spot.date).time).toBe('23:45')
  expect(shifted({ ...spot, time: null }, 15, spot.date).time).toBeNull()
  expect([
    stretched(spot, 15).minutes,
    stretched({ ...spot, minutes: 10 }, -15).minutes,
    stretched({ ...spot, minutes: 1440 }, 15).minutes,
  ]).toEqual([45, 5, 1440])
})

test('what takes the same hours clashes', () => {
  const at = (id: string, from: number, to: number, over: Partial<Event> = {}) => ({
    from,
    to,
    thing: thing({ id, ...over }),
  })
  const found = clashing([
    at('a', 60, 120),
    at('b', 120, 180),
    at('c', 150, 160),
    at('free', 60, 200, { busy: false }),
    at('off', 60, 200, { status: 'cancelled' }),
  ])
  expect([...found]).toEqual(['event b k', 'event c k'])
})
