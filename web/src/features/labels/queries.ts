import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

export const useLabels = () =>
  useQuery({ queryKey: ['labels'], queryFn: ({ signal }) => answer(api.GET('/labels', { signal })) })
