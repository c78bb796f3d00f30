import { answer, api, newId } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useConversationSteps = () =>
  useSteps(({ done }) => ({
    remindOf: async (conversation: string, reminders: string[]) =>
      done(
        await answer(
          api.PUT('/conversations/{id}/reminders', {
            params: { path: { id: conversation } },
            body: { entry: newId(), reminders },
          }),
        ),
      ),
  }))
