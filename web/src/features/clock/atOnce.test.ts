import { beforeEach, expect, test, vi } from 'vitest'
import { beginAtOnce, doneAtOnce, leaveAtOnce } from './atOnce'

const sent = vi.hoisted(() => vi.fn(() => Promise.resolve({ response: new Response(null, { status: 204 }) })))
vi.mock('@/shared/api/client', () => ({
  api: { POST: sent },
  answer: (call: Promise<unknown>) => call,
  newId: () => 'id',
}))

const seconds = () =>
  sent.mock.calls.map((call) => (call as unknown as [string, { body: { seconds: number } }])[1].body.seconds)

beforeEach(() => {
  sent.mockClear()
  vi.useFakeTimers()
})

test('how long it took is kept once, from the clock until it was done', () => {
  beginAtOnce('lens', 'Answer Petra')
  vi.advanceTimersByTime(95_000)
  leaveAtOnce('lens')
  vi.advanceTimersByTime(2000)
  doneAtOnce('lens')
  doneAtOnce('lens')
  expect(seconds()).toEqual([97])
})

test('what was left, and done much later in another way, is not known', () => {
  beginAtOnce('lens', 'Answer Petra')
  leaveAtOnce('lens')
  vi.advanceTimersByTime(3_600_000)
  doneAtOnce('lens')
  doneAtOnce('never begun')
  expect(seconds()).toEqual([])
})
