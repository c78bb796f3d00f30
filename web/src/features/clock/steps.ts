import { answer, api, newId } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useTimeSteps = () =>
  useSteps(({ done }) => ({
    /** @param took as it is written; null: it was no work */
    correctTime: async (id: string, took: string | null) =>
      done(
        await answer(
          api.POST('/stretches/{id}/corrections', {
            params: { path: { id } },
            body: { entry: newId(), took },
          }),
        ),
      ),
  }))
