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

/** Overdue first, then today, the days to come, and at last what has no date. */
export function byDate(tasks: TaskRow[]): TaskGroup[] {
  const isOver = (task: TaskRow) => task.over && task.due !== null && daysAhead(task.due.date) < 0
  return gathered([...tasks.filter(isOver), ...tasks.filter((task) => !isOver(task))], (task) => {
    if (isOver(task)) return { key: 'over', head: 'Over', sub: 'due before today', over: true }
    if (!task.due) return { key: 'none', head: '–', sub: 'without date', over: false }
    const days = daysAhead(task.due.date)
    const [weekday = '', number = '', month = ''] = day(task.due.date).split(' ')
    const sub = days === 0 ? 'today' : days === 1 ? 'tomorrow' : `${weekday}, ${month}`
    return { key: task.due.date, head: number, sub, over: false }
  })
}

export function byList(tasks: TaskRow[]): TaskGroup[] {
  const groups = gathered(tasks, ({ list }) => ({ key: list, head: list, sub: '', over: false }))
  return groups.sort((a, b) => a.head.localeCompare(b.head))
}
