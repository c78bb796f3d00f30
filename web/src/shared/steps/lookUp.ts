import { answer, api, newId, type Reference } from '../api/client'
import { useSteps } from './steps'

export type NewReference = Partial<Pick<Reference, 'title' | 'text' | 'url'>> & {
  kind: Reference['kind']
  message?: string
  /** Which of the message's, from 0 */
  attachment?: number
  file?: string
}

/** Something is put into a list to be looked up there. */
export const useLookUp = () =>
  useSteps(({ done }) => ({
    addReference: async (list: string, fields: NewReference) =>
      done(
        await answer(
          api.POST('/lists/{id}/references', {
            params: { path: { id: list } },
            body: { entry: newId(), id: newId(), ...fields },
          }),
        ),
      ),
  }))
