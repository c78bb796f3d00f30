import { answer, api, newId, type KeptSearch } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useBinSteps = () =>
  useSteps(({ done }) => ({
    emptyBin: async () => done(await answer(api.DELETE('/bin', { params: { query: { id: newId() } } }))),
  }))

export const useSearchSteps = () =>
  useSteps(({ done }) => ({
    keepSearch: async (id: string, fields: Omit<KeptSearch, 'id'>) =>
      done(
        await answer(
          api.PUT('/searches/{id}', { params: { path: { id } }, body: { entry: newId(), ...fields } }),
        ),
      ),
    moveSearch: async (id: string, behind: string | null) =>
      done(
        await answer(
          api.PUT('/searches/{id}/place', { params: { path: { id } }, body: { entry: newId(), behind } }),
        ),
      ),
    dropSearch: async (id: string) =>
      done(
        await answer(api.DELETE('/searches/{id}', { params: { path: { id }, query: { entry: newId() } } })),
      ),
  }))
