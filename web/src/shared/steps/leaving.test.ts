import { expect, test } from 'vitest'
import { putBack } from './leaving'

const rows = (ids: string) => [...ids].map((id) => ({ id }))
const ids = (list: { id: string }[]) => list.map(({ id }) => id).join('')

test.each([
  ['abcde', 'abde', 'c', 'abcde', 'in its place'],
  ['abcde', 'bcde', 'a', 'abcde', 'at the beginning'],
  ['abcde', 'abcd', 'e', 'abcde', 'at the end'],
  ['abcde', 'ae', 'bcd', 'abcde', 'several'],
  ['abcde', 'a', 'c', 'ac', 'what was decided meanwhile stays out'],
  ['abcde', 'abxde', 'c', 'abxcde', 'what came meanwhile stays'],
  ['abcde', '', 'c', 'c', 'into an empty list'],
  ['abcde', 'abcde', 'c', 'abcde', 'what is there is not doubled'],
  ['abcde', 'edba', 'c', 'cedba', 'a list in another order'],
])('%s, now %s: %s comes back as %s: %s', (before, now, lost, expected) => {
  expect(ids(putBack(rows(now), rows(before), [...lost]))).toBe(expected)
})
