import { answer, api, newId } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSteps } from './steps'

export const useUndo = () =>
  useSteps(({ done }) => ({
    /** @param through what came after it and stands in the way is undone, too */
    undo: async (entry: { id: string }, through = false) => {
      const body = { id: newId(), through }
      try {
        return done(
          await answer(api.POST('/journal/{id}/undo', { params: { path: { id: entry.id } }, body })),
        )
      } catch (problem) {
        if (problem instanceof Problem && problem.later) problem.undoing = entry.id
        throw problem
      }
    },
  }))
