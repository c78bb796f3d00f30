import type { TaskRow } from '@/shared/api/client'
import { label } from '@/features/labels'
import { counted } from '@/shared/words'
import { useTaskSteps } from './steps'

/** Puts labels on tasks, and takes them off. */
export function useLabelling() {
  const { changeTasks } = useTaskSteps()
  return (tasks: TaskRow[], closed?: () => unknown): void => {
    const ids = tasks.map(({ id }) => id)
    label({
      what: tasks[0] && tasks.length === 1 ? `“${tasks[0].title}”` : counted(tasks.length, 'task'),
      borne: tasks.map(({ labels }) => labels),
      put: ([on], [off]) => changeTasks(ids, on === undefined ? { unlabel: off ?? '' } : { label: on }),
      closed,
    })
  }
}
