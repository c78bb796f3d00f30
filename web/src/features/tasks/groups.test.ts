import { beforeEach, expect, it } from 'vitest'
import type { TaskRow } from '@/shared/api/client'
import { setClock } from '@/shared/time/clock'
import { byCompletion, byDate } from './groups'

const task = (id: string, more: Partial<TaskRow>): TaskRow => ({ id, ...more }) as TaskRow

beforeEach(() => setClock('2026-11-24T23:30:00Z', 0, 'Europe/Berlin'))

it('groups by how near they are, in that order, and leaves out what is empty', () => {
  const groups = byDate([
    task('later', { group: 'later' }),
    task('today', { group: 'today' }),
    task('none', { group: 'none' }),
    task('over', { group: 'over' }),
    task('today, too', { group: 'today' }),
  ])
  expect(groups.map(({ head, sub, over, tasks }) => [head, sub, over, tasks.map(({ id }) => id)])).toEqual([
    ['Overdue', '', true, ['over']],
    ['Today', 'Wed 25 Nov', false, ['today', 'today, too']],
    ['Later', '', false, ['later']],
    ['No date', '', false, ['none']],
  ])
  expect(byDate([])).toEqual([])
})

it('groups what is done by the day on which it was, where the person is', () => {
  const groups = byCompletion([
    task('late', { completedAt: '2026-11-24T23:10:00Z' }),
    task('early', { completedAt: '2026-11-24T22:50:00Z' }),
    task('before', { completedAt: '2025-11-20T12:00:00Z' }),
    task('early, too', { completedAt: '2026-11-24T08:00:00Z' }),
    task('still open on screen', { completedAt: null }),
  ])
  expect(groups.map(({ head, tasks }) => [head, tasks.map(({ id }) => id)])).toEqual([
    ['Wed 25 Nov', ['late']],
    ['Tue 24 Nov', ['early', 'early, too']],
    ['Thu 20 Nov 2025', ['before']],
  ])
})
