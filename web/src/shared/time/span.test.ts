import { expect, test } from 'vitest'
import { clockText, shortSpan, spanText, workText } from './span'

test.each([
  [0, '', '0 min', '0:00'],
  [1, '1 minute', '1 min', '1:00'],
  [60, '1 hour', '1 h', '1:00:00'],
  [95, '1 hour and 35 minutes', '1 h 35', '1:35:00'],
  [600, '10 hours', '10 h', '10:00:00'],
])('%s minutes', (minutes, long, short, clock) => {
  expect([spanText(minutes), shortSpan(minutes), clockText(minutes * 60)]).toEqual([long, short, clock])
})

test('seconds count on the clock, and hardly in what is said of it', () => {
  expect([clockText(5), clockText(3605), clockText(59 * 60 + 9)]).toEqual(['0:05', '1:00:05', '59:09'])
  expect([workText(59), workText(60), workText(89), workText(5400)]).toEqual([
    'under a minute',
    '1 min',
    '1 min',
    '1 h 30',
  ])
})
