import type { TaskRow } from '@/shared/api/client'
import { day, plusDays, today, dateOf } from '@/shared/time/format'

/** A stretch of tasks under one heading: a big line and a small one. */
export interface TaskGroup {
  key: string
  head: string
  sub: string
  over: boolean
  tasks: TaskRow[]
}

const HEADS: Record<TaskRow['group'], string> = {
  over: 'Overdue',
  today: 'Today',
  tomorrow: 'Tomorrow',
  this_week: 'This week',
  next_week: 'Next week',
  later: 'Later',
  none: 'No date',
}

/** By how near they are. */
export function byDate(tasks: TaskRow[]): TaskGroup[] {
  const subs: Partial<Record<TaskRow['group'], string>> = {
    today: day(today()),
    tomorrow: day(plusDays(today(), 1)),
  }
  const groups = (Object.keys(HEADS) as TaskRow['group'][]).map((key) => ({
    key,
    head: HEADS[key],
    sub: subs[key] ?? '',
    over: key === 'over',
    tasks: tasks.filter((task) => task.group === key),
  }))
  return groups.filter((group) => group.tasks.length)
}

/** What is done, by the day on which it was. */
export function byCompletion(tasks: TaskRow[]): TaskGroup[] {
  const groups = new Map<string, TaskGroup>()
  for (const task of tasks) {
    // What was on screen before is still there until the answer comes.
    if (!task.completedAt) continue
    const date = dateOf(task.completedAt)
    const group = groups.get(date) ?? { key: date, head: day(date), sub: '', over: false, tasks: [] }
    group.tasks.push(task)
    groups.set(date, group)
  }
  return [...groups.values()]
}
