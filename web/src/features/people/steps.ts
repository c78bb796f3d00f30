import { answer, api, newId, type Contact } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useContactSteps = () =>
  useSteps(({ done }) => ({
    keepContact: async (id: string, fields: Omit<Contact, 'id'>) =>
      done(
        await answer(
          api.PUT('/contacts/{id}', { params: { path: { id } }, body: { entry: newId(), ...fields } }),
        ),
      ),
    deleteContact: async (id: string) =>
      done(
        await answer(api.DELETE('/contacts/{id}', { params: { path: { id }, query: { entry: newId() } } })),
      ),
  }))
