import type { TaskRow } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { ask } from '@/shared/ask'
import { tell } from '@/shared/notice'
import { counted } from '@/shared/words'
import { useTaskSteps } from './steps'

/** Completing tasks, with the question about open subtasks, and opening them again. */
export function useCompleting() {
  const { setTasksDone } = useTaskSteps()

  async function complete(ids: string[]): Promise<boolean> {
    try {
      await setTasksDone(ids, true)
      return true
    } catch (problem) {
      if (!(problem instanceof Problem) || problem.openSubtasks === 0) {
        tell(problem)
        return false
      }
      const open = counted(problem.openSubtasks, 'open subtask')
      const answer = await ask({
        title: open[0]?.toUpperCase() + open.slice(1),
        text: 'Are they done too? You can have this done without asking: see Settings.',
        answers: [{ value: 'all', text: 'Complete all' }],
      })
      if (answer !== 'all') return false
      try {
        await setTasksDone(ids, true, true)
        return true
      } catch (second) {
        tell(second)
        return false
      }
    }
  }

  async function restore(ids: string[]): Promise<boolean> {
    try {
      await setTasksDone(ids, false)
      return true
    } catch (problem) {
      tell(problem)
      return false
    }
  }

  const check = (task: Pick<TaskRow, 'id' | 'completedAt'>) =>
    task.completedAt ? restore([task.id]) : complete([task.id])

  return { complete, restore, check }
}
