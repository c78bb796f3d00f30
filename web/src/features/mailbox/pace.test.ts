import { expect, test } from 'vitest'
import type { Mailbox } from '@/shared/api/client'
import { comingOf, paceOf, sampled, type Sample } from './pace'

test('the pace is that of the last minute, and is told once there is something to tell', () => {
  let samples: Sample[] = []
  const add = (at: number, left: number) => (samples = sampled(samples, { at, left }))
  expect(paceOf(add(0, 1000))).toBeNull()
  expect(paceOf(add(2000, 900))).toBeNull()
  expect(paceOf(add(5000, 500))).toEqual({ rate: 100, left: 5000 })
  add(70_000, 400)
  expect(paceOf(add(72_000, 400))).toBeNull()
  expect(paceOf(add(80_000, 300))).toEqual({ rate: 10, left: 30_000 })
})

test('what becomes more begins anew, and what does not move has no pace', () => {
  let samples: Sample[] = [{ at: 0, left: 100 }]
  samples = sampled(samples, { at: 5000, left: 5000 })
  expect(samples).toEqual([{ at: 5000, left: 5000 }])
  expect(paceOf([...samples, { at: 20_000, left: 5000 }])).toBeNull()
  expect(paceOf([])).toBeNull()
})

const mailbox = (more: Partial<Mailbox>, older: Partial<Mailbox['older']> = {}): Mailbox =>
  ({
    paused: false,
    lookedAt: '2026-11-24T10:00:00Z',
    takesOlder: true,
    wanted: 0,
    ...more,
    older: { state: 'waiting', coming: 0, reading: 0, messages: 10, ...older },
  }) as Mailbox

test.each([
  ['looking', mailbox({ lookedAt: null })],
  ['coming', mailbox({ wanted: 400 })],
  ['coming', mailbox({ wanted: 400 }, { coming: 300 })],
  ['coming', mailbox({ wanted: 3 }, { coming: 3 })],
  ['coming', mailbox({ wanted: 400 }, { state: 'done' })],
  ['stopped', mailbox({ wanted: 3, takesOlder: false })],
  ['reading', mailbox({}, { reading: 4 })],
  ['check', mailbox({})],
  // Those are of the archive, and nothing hangs on them.
  ['check', mailbox({ wanted: 3 })],
  ['done', mailbox({}, { messages: 0 })],
  ['done', mailbox({ wanted: 3 }, { state: 'none' })],
  ['done', mailbox({}, { state: 'leaving' })],
  ['done', mailbox({ wanted: 400, paused: true })],
])('the first time is told as %s', (coming, one) => {
  expect(comingOf(one)).toBe(coming)
})
