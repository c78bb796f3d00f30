import { answer, api, newId, type CorrectionAbout, type Said } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useImportanceSteps = () =>
  useSteps(({ done }) => ({
    /** @param about for which other mail it counts */
    correct: async (conversation: string, about: CorrectionAbout, said: Said) =>
      done(
        await answer(
          api.POST('/conversations/{id}/corrections', {
            params: { path: { id: conversation } },
            body: { entry: newId(), about, ...said },
          }),
        ),
      ),
    takeBack: async (correction: string) =>
      done(
        await answer(
          api.DELETE('/corrections/{id}', {
            params: { path: { id: correction }, query: { entry: newId() } },
          }),
        ),
      ),
  }))
