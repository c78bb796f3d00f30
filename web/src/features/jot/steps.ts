import { answer, api, newId } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useJotSteps = () =>
  useSteps(({ decided }) => ({
    jot: async (line: string) =>
      decided(await answer(api.PUT('/jot', { body: { entry: newId(), id: newId(), line } }))),
  }))
