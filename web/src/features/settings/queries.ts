import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

export function useBlocked() {
  return useQuery({ queryKey: ['blocked'], queryFn: ({ signal }) => answer(api.GET('/blocked', { signal })) })
}

export const useMailWays = () =>
  useQuery({ queryKey: ['mail-ways'], queryFn: ({ signal }) => answer(api.GET('/mail-ways', { signal })) })

export const forgetLeftOut = () => answer(api.DELETE('/mail-ways/left-out', {}))

export const tryMailWays = () => answer(api.POST('/mail-ways/try', {}))
