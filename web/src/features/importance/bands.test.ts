import { expect, test } from 'vitest'
import { bandOf } from './bands'

test.each([
  [100, 'Matters much'],
  [70, 'Matters much'],
  [69, 'Matters'],
  [50, 'Matters'],
  [49, 'Matters little'],
  [0, 'Matters little'],
])('%i of 100: %s', (importance, words) => {
  expect(bandOf(importance)).toBe(words)
})
