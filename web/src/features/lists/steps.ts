import { answer, api, newId, type CardName, type Reference, type Stage } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export type Words = Pick<Reference, 'title' | 'text' | 'url'>
export const useListCardSteps = () =>
  useSteps(({ done }) => ({
    /** @param behind what they are to stand behind; null: at the beginning; left out: at the end */
    putAtStage: async (list: string, cards: CardName[], stage: string | null, behind?: CardName | null) =>
      done(
        await answer(
          api.PUT('/lists/{id}/cards', {
            params: { path: { id: list } },
            body: { entry: newId(), cards, stage, behind: behind ?? null, first: behind === null },
          }),
        ),
      ),
    /** @param were ids of the stages that were seen */
    changeStages: async (list: string, stages: Stage[], were: string[]) =>
      done(
        await answer(
          api.PUT('/lists/{id}/stages', {
            params: { path: { id: list } },
            body: { entry: newId(), stages, were },
          }),
        ),
      ),
    editReference: async (id: string, now: Words, was: Words) =>
      done(
        await answer(
          api.PUT('/references/{id}', { params: { path: { id } }, body: { entry: newId(), now, was } }),
        ),
      ),
    /** @param behind null: the first */
    moveReference: async (id: string, list: string, behind: string | null) =>
      done(
        await answer(
          api.PUT('/references/{id}/place', {
            params: { path: { id } },
            body: { entry: newId(), list, behind },
          }),
        ),
      ),
    takeOut: async (references: string[]) =>
      done(await answer(api.POST('/references/removals', { body: { entry: newId(), references } }))),
  }))
