import { answer, api, newId, type Label } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

type Fields = Pick<Label, 'name' | 'colour' | 'untilDealt'>

export const useLabelSteps = () =>
  useSteps(({ done }) => ({
    /** @param on names of labels; those that there are not yet are made */
    /** @param into ids of lists */
    listMail: async (conversations: string[], into: string[], outOf: string[]) =>
      done(await answer(api.POST('/lists/mail', { body: { entry: newId(), conversations, into, outOf } }))),
    labelMail: async (conversations: string[], on: string[], off: string[]) =>
      done(await answer(api.POST('/labelled', { body: { entry: newId(), conversations, on, off } }))),
    addLabel: async (fields: Fields) =>
      done(await answer(api.POST('/labels', { body: { entry: newId(), ...fields } }))),
    editLabel: async (id: string, fields: Fields) =>
      done(
        await answer(
          api.PUT('/labels/{id}', { params: { path: { id } }, body: { entry: newId(), ...fields } }),
        ),
      ),
    mergeLabel: async (id: string, into: string) =>
      done(
        await answer(
          api.PUT('/labels/{id}/into', { params: { path: { id } }, body: { entry: newId(), into } }),
        ),
      ),
    deleteLabel: async (id: string) =>
      done(await answer(api.DELETE('/labels/{id}', { params: { path: { id }, query: { entry: newId() } } }))),
  }))
