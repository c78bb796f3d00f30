import { useQueryClient } from '@tanstack/vue-query'
import { answer, api, type LookBack } from '@/shared/api/client'
import { useAskAgain } from '@/shared/steps/steps'

/** A day was laid out, or looked back at; a week was gone through so far. */
export function useDaySteps() {
  const askAgain = useAskAgain()
  const queries = useQueryClient()
  const set = (change: Partial<LookBack>) =>
    queries.setQueryData<LookBack>(['look-back'], (now) => (now ? { ...now, ...change } : now))
  return {
    async laidOut(day: string): Promise<void> {
      await answer(api.PUT('/agenda-days/{day}/laid-out', { params: { path: { day } } }))
      await askAgain(['day_plan'])
    },
    async closed(day: string): Promise<void> {
      await answer(api.PUT('/agenda-days/{day}/closed', { params: { path: { day } } }))
      await askAgain(['day_plan'])
    },
    /** There at once; it is kept in the background. */
    async goTo(week: string, stop: LookBack['stop']): Promise<void> {
      set({ stop, begun: true, ended: false })
      await answer(api.PUT('/look-back/{week}/stops/{stop}', { params: { path: { week, stop } } }))
    },
    async endWeek(week: string): Promise<void> {
      await answer(api.PUT('/look-back/{week}/end', { params: { path: { week } } }))
      set({ ended: true })
    },
  }
}
