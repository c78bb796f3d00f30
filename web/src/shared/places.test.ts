import { beforeEach, expect, test } from 'vitest'
import { PLACES, placeText } from './places'
import { row } from './rows.fixture'
import { setClock } from './time/clock'
import { dueTab, dueText } from './time/due'

beforeEach(() => setClock('2026-11-24T10:00:00Z', 0, 'UTC'))

const until = '2026-11-25T09:00:00Z'
test.each([
  [{ place: 'tray' as const }, 'in the tray'],
  [{ place: 'archive' as const, muted: false }, 'in the archive'],
  [{ place: 'archive' as const, muted: true }, 'in the archive, muted'],
  [{ place: 'bin' as const, binnedAt: '2026-11-23T10:00:00Z' }, 'in the bin since yesterday'],
  [{ place: 'bin' as const, binnedAt: null }, 'in the bin'],
  [{ place: 'blocked' as const }, 'in Blocked'],
  [{ place: 'away' as const, awayUntil: until }, 'away and comes back tomorrow at 09:00'],
  [{ place: 'away' as const, awayUntil: null }, 'away'],
  [
    { place: 'away' as const, awayUntil: until, awayReason: 'answer' as const },
    'away until they answer, at the latest tomorrow at 09:00',
  ],
  [
    { place: 'away' as const, awayUntil: until, awayReason: 'next_clearing' as const },
    'away until you next clear the tray, at the latest tomorrow at 09:00',
  ],
  [
    { place: 'away' as const, awayUntil: until, awayReason: 'held' as const },
    'here already, and comes in tomorrow at 09:00',
  ],
  [
    { place: 'away' as const, awayUntil: until, awayReason: 'hand_over' as const, owedBy: 'Petra' },
    'away: Petra owes you an answer by tomorrow at 09:00',
  ],
])('%j is %s', (more, text) => {
  expect(placeText(row({ id: 'a', ...more }))).toBe(text)
})

test('each place can be looked in, once', () => {
  const values = PLACES.map(({ value }) => value)
  expect(new Set(values).size).toBe(values.length)
  expect(values).toEqual(expect.arrayContaining(['', 'tray', 'away', 'archive', 'muted', 'bin', 'blocked']))
})

test.each([
  ['2026-11-24', null, false, 'today', 'near'],
  ['2026-11-25', '15:00', false, 'tomorrow 15:00', 'near'],
  ['2026-11-27', null, false, 'Fri 27 Nov', 'soon'],
  ['2027-01-05', '09:00', false, 'Tue 5 Jan 2027 09:00', 'far'],
  ['2026-11-23', null, true, '1 day over', 'over'],
  ['2026-11-14', '09:00', true, '10 days over', 'over'],
  ['2026-11-24', '09:00', true, 'over since 09:00', 'over'],
])('the tab of %s %s, over: %s, says %s and is %s', (date, time, over, text, near) => {
  expect(dueTab({ date, time, text: '' }, over)).toEqual({ text, near })
})

test('a due is a day, and perhaps a time', () => {
  expect(dueText({ date: '2026-11-27', time: null, text: '' })).toBe('Fri 27 Nov')
  expect(dueText({ date: '2026-11-27', time: '15:00', text: '' })).toBe('Fri 27 Nov, 15:00')
})
