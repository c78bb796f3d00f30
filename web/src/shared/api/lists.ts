import { useQuery } from '@tanstack/vue-query'
import { answer, api } from './client'

/** All lists in the person's own order, those under another behind it. */
export const useLists = () =>
  useQuery({ queryKey: ['lists'], queryFn: ({ signal }) => answer(api.GET('/lists', { signal })) })
