import { expect, test } from 'vitest'
import type { Entry } from './api/client'
import { counted, deed, object, sentence } from './words'

const entry = (more: Partial<Entry>) => ({ kind: 'complete_task', about: 'Oil', count: 1, ...more }) as Entry

test.each([
  [{}, 'Completed', 'Oil'],
  [{ count: 3 }, 'Completed', 'Oil and 2 more'],
  [{ about: '' }, 'Completed', 'no subject'],
  [{ kind: 'undo', undoes: { id: '1', kind: 'archive_rest' } }, 'Undone: the rest archived', 'Oil'],
] as [Partial<Entry>, string, string][])('%j is “%s: %s”', (more, done, to) => {
  expect([deed(entry(more)), object(entry(more))]).toEqual([done, to])
})

test.each([
  [0, '0 days'],
  [1, '1 day'],
  [2, '2 days'],
])('%i days', (count, text) => expect(counted(count, 'day')).toBe(text))

test.each([
  ['', ''],
  ['Done', 'Done.'],
  ['Really?', 'Really?'],
  ['And so on …', 'And so on …'],
])('%j as a sentence', (text, expected) => expect(sentence(text)).toBe(expected))
