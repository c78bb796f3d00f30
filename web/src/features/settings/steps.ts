import { answer, api, newId } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useSettingsSteps = () =>
  useSteps(({ done }) => ({
    unblock: async (sender: string, bringBack: boolean) =>
      done(
        await answer(
          api.DELETE('/blocked/{id}', {
            params: { path: { id: sender }, query: { entry: newId(), bringBack } },
          }),
        ),
      ),
  }))
