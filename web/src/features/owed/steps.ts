import { answer, api, newId, type Claim, type When } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useOwedSteps = () =>
  useSteps(({ done, left }) => ({
    settleOwed: async (id: string, as: 'answered' | 'dropped') =>
      done(
        await answer(
          api.POST('/owed/{id}/settle', { params: { path: { id } }, body: { entry: newId(), as } }),
        ),
      ),
    takeUpOwed: async (id: string, until: When, conversation?: Claim, clearing?: string) => {
      const body = {
        entry: newId(),
        until,
        ...(conversation ? { conversation } : {}),
        ...(clearing ? { clearing } : {}),
      }
      const entry = await answer(api.POST('/owed/{id}/take-up', { params: { path: { id } }, body }))
      if (conversation) left([conversation.id])
      return done(entry)
    },
    moveOwed: async (id: string, until: When) =>
      done(
        await answer(
          api.POST('/owed/{id}/move', { params: { path: { id } }, body: { entry: newId(), until } }),
        ),
      ),
  }))
