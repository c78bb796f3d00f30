import { answer, api, newId, type Claim, type Stamp, type StampStep } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

export const useStampSteps = () =>
  useSteps(({ done, decided, leaving }) => ({
    keepStamp: async (id: string, fields: { name: string; key: number | null; steps: StampStep[] }) =>
      done(
        await answer(
          api.PUT('/stamps/{id}', { params: { path: { id } }, body: { entry: newId(), ...fields } }),
        ),
      ),
    deleteStamp: async (id: string) =>
      done(await answer(api.DELETE('/stamps/{id}', { params: { path: { id }, query: { entry: newId() } } }))),
    /** @param leave whether they are off the tray by it */
    stamp: async ({ id }: Stamp, claims: Claim[], leave: boolean, clearing?: string) => {
      const body = { entry: newId(), conversations: claims, ...(clearing ? { clearing } : {}) }
      const call = () => answer(api.POST('/stamps/{id}/uses', { params: { path: { id } }, body }))
      const ids = claims.map((claim) => claim.id)
      return decided(leave ? await leaving(ids, call) : await call())
    },
  }))
