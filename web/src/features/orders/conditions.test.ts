import { expect, test } from 'vitest'
import type { Condition } from '@/shared/api/client'
import { ASKS, askedOf, conditionOf, grouped, newAsked } from './conditions'

test.each<Condition>([
  { test: 'from', is: 'olga@roofs.example' },
  { test: 'attached', is: '' },
  {
    test: 'any',
    of: [
      { test: 'kind', is: 'newsletter' },
      { test: 'none', of: [{ test: 'to', is: '+news' }] },
    ],
  },
])('%o is the same after it was filled in', (condition) => {
  expect(conditionOf(askedOf(condition))).toEqual(condition)
})

test('others can be added to one that stands alone', () => {
  expect(conditionOf(grouped({ test: 'from', is: 'a@x.example' }))).toEqual({
    test: 'all',
    of: [{ test: 'from', is: 'a@x.example' }],
  })
  expect(conditionOf(grouped({ test: 'any', of: [] }))).toEqual({ test: 'any', of: [] })
})

test('where there is a choice, the first is chosen', () => {
  expect([newAsked('known').is, newAsked('from').is]).toEqual(['known', ''])
  expect(new Set(ASKS.map((one) => one.test)).size).toBe(ASKS.length)
})
