import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Entry } from './api/client'
import { follow, hasSteps, lastStep, letGo, remember, slips, trail } from './trail'

const entry = (id: string, undoes?: string): Entry =>
  ({ id, undoes: undoes ? { id: undoes, kind: 'archive', number: 1 } : null }) as unknown as Entry
const ids = (entries: Entry[]) => entries.map(({ id }) => id).join('')

beforeEach(() => vi.useFakeTimers())
afterEach(() => {
  for (const one of [...trail.value]) letGo(one)
  vi.advanceTimersByTime(10_000)
  vi.useRealTimers()
})

test('the last four steps are kept, the newest first', () => {
  for (const id of 'abcdef') remember(entry(id))
  expect(ids(trail.value)).toBe('fedc')
})

test('an undoing takes what it undid off, and is no step itself', () => {
  for (const id of 'abc') remember(entry(id))
  remember(entry('x', 'b'))
  expect(ids(trail.value)).toBe('ca')
  remember(entry('y', 'not on it any more'))
  expect(ids(trail.value)).toBe('ca')
})

test('what cannot be undone any more is let go', () => {
  for (const id of 'ab') remember(entry(id))
  letGo(entry('b'))
  expect(ids(trail.value)).toBe('a')
})

test('slips say what was done for a while, two at once', () => {
  for (const id of 'abc') remember(entry(id))
  expect(ids(slips.value)).toBe('cb')
  vi.advanceTimersByTime(7_999)
  remember(entry('d'))
  expect(ids(slips.value)).toBe('dc')
  vi.advanceTimersByTime(1)
  expect(ids(slips.value)).toBe('d')
  vi.advanceTimersByTime(8_000)
  expect([ids(slips.value), ids(trail.value)]).toEqual(['', 'dcba'])
})

test('the last step is the one that was begun last, also while it is on its way', async () => {
  remember(entry('a'))
  let arrive: () => void = () => undefined
  const step = follow(
    new Promise<void>((resolve) => {
      arrive = () => {
        remember(entry('b'))
        resolve()
      }
    }),
  )
  const last = lastStep()
  arrive()
  await step
  expect((await last)?.id).toBe('b')
})

test('there is something to undo as soon as a step is begun, and no more when it failed', async () => {
  expect(hasSteps.value).toBe(false)
  let fail: (reason: Error) => void = () => undefined
  const step = follow(new Promise<void>((_, reject) => (fail = reject)))
  expect(hasSteps.value).toBe(true)
  const last = lastStep()
  fail(new Error('refused'))
  await expect(step).rejects.toThrow('refused')
  expect([await last, hasSteps.value]).toEqual([undefined, false])
})
