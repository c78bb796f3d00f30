import { answer, api, newId, type When } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useComingSteps = () =>
  useSteps(({ done }) => ({
    moveReminder: async (of: { task?: string; conversation?: string }, reminder: string, to: When | null) =>
      done(await answer(api.POST('/reminder-moves', { body: { entry: newId(), reminder, to, ...of } }))),
  }))
