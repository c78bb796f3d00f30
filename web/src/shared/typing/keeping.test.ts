import { expect, test, vi } from 'vitest'
import { Problem } from '@/shared/api/problem'
import { useKeeping } from './keeping'

const tell = vi.hoisted(() => vi.fn())
vi.mock('@/shared/notice', () => ({ tell }))

test('what is accepted is done with, and what was wrong before is no longer said', async () => {
  const done = vi.fn()
  let isRefused = true
  const { wrong, busy, keep } = useKeeping(
    'text',
    () => (isRefused ? Promise.reject(new Problem('No.', 422, { name: 'It is taken.' })) : Promise.resolve()),
    done,
  )
  await keep()
  expect([wrong.value, busy.value, done.mock.calls.length]).toEqual([{ name: 'It is taken.' }, false, 0])
  isRefused = false
  await keep()
  expect([wrong.value, busy.value, done.mock.calls.length]).toEqual([{}, false, 1])
})

test('what is refused without a field is said at the one that is named', async () => {
  const { wrong, keep } = useKeeping('text', () => Promise.reject(new Problem('Too long.', 422)), vi.fn())
  await keep()
  expect(wrong.value).toEqual({ text: 'Too long.' })
})

test('what is no refusal is told, and the form stays', async () => {
  const [done, gone] = [vi.fn(), Problem.unreachable()]
  const { wrong, keep } = useKeeping('text', () => Promise.reject(gone), done)
  await keep()
  expect(tell).toHaveBeenCalledWith(gone)
  expect([wrong.value, done.mock.calls.length]).toEqual([{}, 0])
})

test('it is sent once, however often the key is pressed', async () => {
  let answer: () => void = vi.fn()
  const send = vi.fn(() => new Promise<void>((resolve) => (answer = resolve)))
  const { busy, keep } = useKeeping('text', send, vi.fn())
  const first = keep()
  await keep()
  expect([send.mock.calls.length, busy.value]).toEqual([1, true])
  answer()
  await first
  expect(busy.value).toBe(false)
})
