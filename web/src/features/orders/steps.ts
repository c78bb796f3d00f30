import { answer, api, newId, type Condition, type StampStep } from '@/shared/api/client'
import { useAskAgain, useSteps } from '@/shared/steps/steps'

export interface OrderFields {
  name: string
  condition: Condition
  steps: StampStep[]
  on: boolean
  last: boolean
  urgent: boolean
}

const at = (id: string) => ({ path: { id } })

export const useOrderSteps = () =>
  useSteps(({ done }) => ({
    keepOrder: async (id: string, fields: OrderFields) =>
      done(await answer(api.PUT('/orders/{id}', { params: at(id), body: { entry: newId(), ...fields } }))),
    turnOrder: async (id: string, on: boolean) =>
      done(await answer(api.PUT('/orders/{id}/on', { params: at(id), body: { entry: newId(), on } }))),
    /** @param behind null: the first */
    moveOrder: async (id: string, behind: string | null) =>
      done(await answer(api.PUT('/orders/{id}/place', { params: at(id), body: { entry: newId(), behind } }))),
    deleteOrder: async (id: string) =>
      done(await answer(api.DELETE('/orders/{id}', { params: { ...at(id), query: { entry: newId() } } }))),
  }))

/** Takes back all that orders did on a day. */
export function useUndoDay() {
  const askAgain = useAskAgain()
  return async (day: string, order?: string) => {
    const result = await answer(api.POST('/order-undoings', { body: { day, ...(order ? { order } : {}) } }))
    await askAgain()
    return result
  }
}
