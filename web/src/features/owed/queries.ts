import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

export const useOwed = () =>
  useQuery({ queryKey: ['owed'], queryFn: ({ signal }) => answer(api.GET('/owed', { signal })) })
