import { answer, api, newId, type CardName } from '../api/client'
import { useSteps } from './steps'

/** Conversations and tasks go along the stages of their lists. */
export const useAlong = () =>
  useSteps(({ done }) => ({
    /** @param by stages onwards; negative: back */
    along: async (cards: CardName[], by: number) =>
      done(await answer(api.POST('/lists/along', { body: { entry: newId(), cards, by } }))),
  }))

/** The keys that every row has which stands at a stage. */
export const ALONG = 'Shift+ArrowRight'
export const BACK = 'Shift+ArrowLeft'
