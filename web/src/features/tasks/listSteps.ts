import { answer, api, newId, type Colour } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useListSteps = () =>
  useSteps(({ done }) => ({
    addList: async (name: string, colour: Colour) =>
      done(await answer(api.POST('/lists', { body: { entry: newId(), id: newId(), name, colour } }))),
    editList: async (id: string, name: string, colour: Colour, archived: boolean) =>
      done(
        await answer(
          api.PUT('/lists/{id}', {
            params: { path: { id } },
            body: { entry: newId(), name, colour, archived },
          }),
        ),
      ),
    /** @param was what stood there when it was begun */
    noteDown: async (id: string, note: string, was: string) =>
      done(
        await answer(
          api.PUT('/lists/{id}/note', { params: { path: { id } }, body: { entry: newId(), note, was } }),
        ),
      ),
    moveList: async (id: string, behind: string | null, parent: string | null = null) =>
      done(
        await answer(
          api.PUT('/lists/{id}/place', {
            params: { path: { id } },
            body: { entry: newId(), behind, parent },
          }),
        ),
      ),
    putMail: async (conversations: string[], list: string) =>
      done(
        await answer(
          api.POST('/lists/mail', { body: { entry: newId(), conversations, into: [list], outOf: [] } }),
        ),
      ),
    deleteList: async (id: string, moveTo?: string) =>
      done(
        await answer(
          api.DELETE('/lists/{id}', {
            params: { path: { id }, query: { entry: newId(), ...(moveTo ? { moveTo } : {}) } },
          }),
        ),
      ),
  }))
