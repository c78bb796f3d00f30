import { beforeEach, expect, test, vi } from 'vitest'
import { Problem } from '@/shared/api/problem'
import { useCompleting } from './complete'

const { set, ask, tell } = vi.hoisted(() => ({ set: vi.fn(), ask: vi.fn(), tell: vi.fn() }))
vi.mock('./steps', () => ({ useTaskSteps: () => ({ setTasksDone: set }) }))
vi.mock('@/shared/ask', () => ({ ask }))
vi.mock('@/shared/notice', () => ({ tell }))

const open = (subtasks: number) => new Problem('It has open subtasks.', 409, {}, null, subtasks)
const { check, complete, restore } = useCompleting()

beforeEach(() => vi.resetAllMocks())

test('what has nothing open under it is done without a question', async () => {
  expect(await complete(['a', 'b'])).toBe(true)
  expect([set.mock.calls, ask.mock.calls.length]).toEqual([[[['a', 'b'], true]], 0])
})

test.each([
  [1, '1 open subtask'],
  [3, '3 open subtasks'],
])('with %i open under it, it is asked whether they are done, too', async (count, title) => {
  set.mockRejectedValueOnce(open(count))
  ask.mockResolvedValue('all')
  expect(await complete(['a'])).toBe(true)
  expect(ask.mock.calls[0]?.[0]).toMatchObject({ title })
  expect(set.mock.calls.at(-1)).toEqual([['a'], true, true])
})

test('who does not want that leaves all as it is, and is told nothing', async () => {
  set.mockRejectedValueOnce(open(2))
  ask.mockResolvedValue(undefined)
  expect(await complete(['a'])).toBe(false)
  expect([set.mock.calls.length, tell.mock.calls.length]).toEqual([1, 0])
})

test('trouble is told, at the first step and at the second', async () => {
  const trouble = Problem.unreachable()
  set.mockRejectedValueOnce(trouble)
  expect(await complete(['a'])).toBe(false)
  set.mockRejectedValueOnce(open(2)).mockRejectedValueOnce(trouble)
  ask.mockResolvedValue('all')
  expect(await complete(['a'])).toBe(false)
  set.mockRejectedValueOnce(trouble)
  expect(await restore(['a'])).toBe(false)
  expect(tell.mock.calls).toEqual([[trouble], [trouble], [trouble]])
})

test('checking an open one completes it, checking a done one opens it again', async () => {
  await check({ id: 'a', completedAt: null })
  await check({ id: 'a', completedAt: '2026-11-24T10:00:00Z' })
  expect(set.mock.calls).toEqual([
    [['a'], true],
    [['a'], false],
  ])
})
