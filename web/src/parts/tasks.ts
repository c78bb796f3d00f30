import type { TaskRow } from '@/api/client'
import { day, daysAhead } from '@/time/format'

/** A stretch of tasks under one heading: a big line and a small one. */
export interface TaskGroup {
  key: string
  head: string
  sub: string
  over: boolean
  tasks: TaskRow[]
}

function gathered(tasks: TaskRow[], heading: (task: TaskRow) => Omit<TaskGroup, 'tasks'>): TaskGroup[] {
  const groups = new Map<string, TaskGroup>()
  for (const task of tasks) {
    const head = heading(task)
    const group = groups.get(head.key) ?? { ...head, tasks: [] }
    group.tasks.push(task)
    groups.set(head.key, group)
  }
  return [...groups.values()]
}

/** By the day on which they are due, those over first as they come; at last what has no date. */
export function byDate(tasks: TaskRow[]): TaskGroup[] {
  return gathered(tasks, ({ due }) => {
    if (!due) return { key: '', head: '–', sub: 'without date', over: false }
    const days = daysAhead(due.date)
    const [weekday = '', number = '', month = ''] = day(due.date).split(' ')
    const sub = days < 0 ? `${weekday}, over` : (['today', 'tomorrow'][days] ?? `${weekday}, ${month}`)
    return { key: due.date, head: number, sub, over: days < 0 }
  })
}

export function byList(tasks: TaskRow[]): TaskGroup[] {
  const groups = gathered(tasks, ({ list }) => ({ key: list, head: list, sub: '', over: false }))
  return groups.sort((a, b) => a.head.localeCompare(b.head))
}
