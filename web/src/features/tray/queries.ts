import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { toValue, watch, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

export function useTray() {
  return useQuery({
    queryKey: ['tray'],
    queryFn: ({ signal }) => answer(api.GET('/tray', { signal })),
  })
}

/** What archiving the rest takes, and what it would hold up: all of it, which comes in parts. */
export function useRestCheck(enabled: MaybeRefOrGetter<boolean>) {
  const query = useInfiniteQuery({
    queryKey: ['rest'],
    queryFn: ({ signal, pageParam }) =>
      answer(api.GET('/rest', { signal, params: { query: { after: pageParam } } })),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
    enabled,
    staleTime: 0,
    gcTime: 0,
  })
  watch(
    () => toValue(enabled) && query.hasNextPage.value && !query.isFetching.value && !query.error.value,
    (more) => {
      if (more) void query.fetchNextPage()
    },
    { immediate: true },
  )
  return query
}
