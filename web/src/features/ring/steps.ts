import { answer, api, newId, type When } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useRingSteps = () =>
  useSteps(({ done }) => ({
    letGo: async (rings: string[]) =>
      done(await answer(api.POST('/rings/let-go', { body: { entry: newId(), rings } }))),
    remindAgain: async (rings: string[], at: When) =>
      done(await answer(api.POST('/rings/again', { body: { entry: newId(), rings, at } }))),
  }))
