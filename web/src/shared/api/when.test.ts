import { expect, test } from 'vitest'
import { plain, says, toWhen, written, type Reading } from './when'

const reading = (date: string | null, time: string | null = null) => ({ date, time }) as Reading

test('a due becomes its words, and nothing is nothing', () => {
  expect(written({ date: '2026-11-27', time: null, text: 'Fri 27 Nov 2026' })).toEqual({
    phrase: 'Fri 27 Nov 2026',
    reading: null,
  })
  expect([written(null).phrase, written(undefined).phrase]).toEqual(['', ''])
})

test.each([
  ['friday', reading('2026-11-27'), { date: '2026-11-27', time: null }],
  ['friday 3pm', reading('2026-11-27', '15:00'), { date: '2026-11-27', time: '15:00' }],
  ['friday', null, { phrase: 'friday' }],
  ['every friday', reading(null), { phrase: 'every friday' }],
  ['', reading('2026-11-27'), null],
  ['   ', null, null],
])('of %j what was shown is sent, or the words: %j', (phrase, shown, sent) => {
  expect(toWhen({ phrase, reading: shown })).toEqual(sent)
})

test('a day and perhaps a time is a phrase', () => {
  expect(plain({ date: '2026-11-27' })).toBe('2026-11-27')
  expect(plain({ date: '2026-11-27', time: null })).toBe('2026-11-27')
  expect(plain({ date: '2026-11-27', time: '15:00' })).toBe('2026-11-27 15:00')
})

test.each([
  ['2026-11-27', null, true],
  ['friday', reading('2026-11-27'), true],
  ['friday', reading('2026-11-28'), false],
  ['friday 3pm', reading('2026-11-27', '15:00'), false],
  ['friday', null, false],
  ['every friday', reading(null), false],
])('%j says what 2026-11-27 does: %j, %s', (phrase, shown, is) => {
  expect(says({ phrase, reading: shown }, '2026-11-27')).toBe(is)
})
