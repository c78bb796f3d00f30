import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

/** What each of the coming days holds. */
export function useDays(count: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['days', count],
    queryFn: ({ signal }) =>
      answer(api.GET('/days', { signal, params: { query: { count: toValue(count) } } })),
    placeholderData: keepPreviousData,
  })
}

export function useDay(date: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['day', date],
    queryFn: ({ signal }) =>
      answer(api.GET('/days/{date}', { signal, params: { path: { date: toValue(date) } } })),
  })
}
