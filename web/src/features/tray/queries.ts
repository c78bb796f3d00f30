import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { answer, api, type ClearingOrder } from '@/shared/api/client'
import { trayKey } from '@/shared/steps/trayKey'

/**
 * What is undecided, in the order in which it is gone through. As grouped, it is the very list of the tray; the server
 * orders it, since of many it gives only some.
 */
export function useTray(
  order: MaybeRefOrGetter<ClearingOrder> = 'grouped',
  label: MaybeRefOrGetter<string> = '',
) {
  return useQuery({
    queryKey: computed(() => trayKey(toValue(order), toValue(label))),
    queryFn: ({ signal, queryKey: [, by, of] }) =>
      answer(
        api.GET('/tray', {
          signal,
          params: {
            query: {
              ...(by ? { order: by as ClearingOrder } : {}),
              ...(of ? { label: of as string } : {}),
            },
          },
        }),
      ),
    // In the order of before, until it has come in this one.
    placeholderData: keepPreviousData,
  })
}

/**
 * What archiving the rest takes, and what it would hold up: all of it, which comes in parts.
 *
 * @param mailbox of the older part of the inbox of this one; none: of the tray
 */
export function useRestCheck(
  enabled: MaybeRefOrGetter<boolean>,
  mailbox: MaybeRefOrGetter<number | undefined>,
) {
  const query = useInfiniteQuery({
    queryKey: computed(() => ['rest', toValue(mailbox)]),
    queryFn: ({ signal, pageParam: after, queryKey: [, number] }) =>
      answer(
        typeof number === 'number'
          ? api.GET('/mailboxes/{number}/older', { signal, params: { path: { number }, query: { after } } })
          : api.GET('/rest', { signal, params: { query: { after } } }),
      ),
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
