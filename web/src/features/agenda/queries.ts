import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

/** Days with what lies on them, and whether they hold it. */
export const useAgenda = (from: MaybeRefOrGetter<string>, days: MaybeRefOrGetter<number>) =>
  useQuery({
    queryKey: ['agenda', from, days],
    queryFn: ({ signal }) =>
      answer(api.GET('/agenda', { signal, params: { query: { from: toValue(from), days: toValue(days) } } })),
    placeholderData: keepPreviousData,
  })

/** One event with all that belongs to it. */
export const useEvent = (id: MaybeRefOrGetter<string>, key: MaybeRefOrGetter<string | null>) =>
  useQuery({
    queryKey: ['event', id, key],
    enabled: () => toValue(id) !== '',
    queryFn: ({ signal }) => {
      const which = toValue(key)
      return answer(
        api.GET('/events/{id}', {
          signal,
          params: { path: { id: toValue(id) }, query: which ? { key: which } : {} },
        }),
      )
    },
  })

/** What event a message would be. */
export const useEventProposal = (message: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['event-proposal', message],
    enabled: () => toValue(message) !== '',
    queryFn: ({ signal }) =>
      answer(api.GET('/events/proposals/{id}', { signal, params: { path: { id: toValue(message) } } })),
  })

/** What can be done about something that does not fit. */
export const useWays = (id: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['ways', id],
    enabled: () => toValue(id) !== '',
    queryFn: ({ signal }) => answer(api.GET('/ways/{id}', { signal, params: { path: { id: toValue(id) } } })),
  })

/** How much of the hours could be kept free, by what came in of late. */
export const useShareKeptFree = () =>
  useQuery({
    queryKey: ['share-kept-free'],
    queryFn: ({ signal }) => answer(api.GET('/share-kept-free', { signal })),
  })

/** How the days from today on stand. */
export const useBalances = (count: MaybeRefOrGetter<number>) =>
  useQuery({
    queryKey: ['balances', count],
    queryFn: ({ signal }) =>
      answer(api.GET('/balances', { signal, params: { query: { count: toValue(count) } } })),
    placeholderData: keepPreviousData,
  })

/** An invitation that came with a message, beside the agenda. */
export const useInvitation = (message: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['invitation', message],
    enabled: () => toValue(message) !== '',
    retry: false,
    queryFn: ({ signal }) =>
      answer(api.GET('/messages/{id}/invitation', { signal, params: { path: { id: toValue(message) } } })),
  })
