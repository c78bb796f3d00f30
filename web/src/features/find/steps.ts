import { answer, api, newId } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useBinSteps = () =>
  useSteps(({ done }) => ({
    emptyBin: async () => done(await answer(api.DELETE('/bin', { params: { query: { id: newId() } } }))),
  }))
