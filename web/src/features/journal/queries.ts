import { useInfiniteQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

export function useJournal() {
  return useInfiniteQuery({
    queryKey: ['journal'],
    queryFn: ({ pageParam, signal }) =>
      answer(
        api.GET('/journal', { signal, params: { query: pageParam === null ? {} : { before: pageParam } } }),
      ),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => (page.more ? (page.entries.at(-1)?.number ?? null) : null),
  })
}
