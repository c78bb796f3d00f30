import { keepPreviousData, useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { setClock } from '@/time/clock'
import { answer, api, type Place } from './client'

/** Things return by themselves, so what is on screen is asked for again every half minute. */
const AGAIN = 30_000

export function useCounts() {
  return useQuery({
    queryKey: ['counts'],
    queryFn: async ({ signal }) => {
      const counts = await answer(api.GET('/counts', { signal }))
      setClock(counts.now)
      return counts
    },
    refetchInterval: AGAIN,
  })
}

export function useTray() {
  return useQuery({
    queryKey: ['tray'],
    queryFn: ({ signal }) => answer(api.GET('/tray', { signal })),
    refetchInterval: AGAIN,
  })
}

/** What a sweep would archive, and what it would hold up. */
export function useSweepCheck(enabled: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['sweep'],
    queryFn: ({ signal }) => answer(api.GET('/sweep', { signal })),
    enabled,
    staleTime: 0,
  })
}

export function useBlocked() {
  return useQuery({ queryKey: ['blocked'], queryFn: ({ signal }) => answer(api.GET('/blocked', { signal })) })
}

export function useClearing(id: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['clearing', id],
    queryFn: ({ signal }) =>
      answer(api.GET('/clearings/{id}', { signal, params: { path: { id: toValue(id) } } })),
    enabled,
    placeholderData: keepPreviousData,
  })
}

export function useAway() {
  return useQuery({
    queryKey: ['away'],
    queryFn: ({ signal }) => answer(api.GET('/away', { signal })),
    refetchInterval: AGAIN,
  })
}

export function useFind(
  words: MaybeRefOrGetter<string>,
  place: MaybeRefOrGetter<Place | ''>,
  page: MaybeRefOrGetter<number>,
) {
  return useQuery({
    queryKey: ['find', words, place, page],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/find', {
          signal,
          params: { query: { words: toValue(words), place: toValue(place), page: toValue(page) } },
        }),
      ),
    placeholderData: keepPreviousData,
  })
}

const conversation = (id: string) => ({
  queryKey: ['conversation', id],
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    answer(api.GET('/conversations/{id}', { signal, params: { path: { id } } })),
})

export function useConversation(id: MaybeRefOrGetter<string>) {
  return useQuery(computed(() => ({ ...conversation(toValue(id)), enabled: toValue(id) !== '' })))
}

/** Has conversations ready before they are looked at. */
export function useLoadAhead() {
  const queries = useQueryClient()
  return (ids: string[]) => {
    for (const id of ids) {
      // What is there already is asked for again when it is looked at, not before.
      if (queries.getQueryState(['conversation', id]) === undefined) {
        void queries.prefetchQuery(conversation(id))
      }
    }
  }
}

export function useMessage(id: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean> = true) {
  return useQuery({
    queryKey: ['message', id],
    queryFn: ({ signal }) =>
      answer(api.GET('/messages/{id}', { signal, params: { path: { id: toValue(id) } } })),
    enabled,
  })
}

export function useSource(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['source', id],
    queryFn: ({ signal }) =>
      answer(api.GET('/sources/{id}', { signal, params: { path: { id: toValue(id) } } })),
  })
}

export function useTasks(state: MaybeRefOrGetter<'open' | 'done'>) {
  return useQuery({
    queryKey: ['tasks', state],
    queryFn: ({ signal }) =>
      answer(api.GET('/tasks', { signal, params: { query: { state: toValue(state) } } })),
    placeholderData: keepPreviousData,
    refetchInterval: AGAIN,
  })
}

export function useTask(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['task', id],
    queryFn: ({ signal }) =>
      answer(api.GET('/tasks/{id}', { signal, params: { path: { id: toValue(id) } } })),
  })
}

export function useLists() {
  return useQuery({ queryKey: ['lists'], queryFn: ({ signal }) => answer(api.GET('/lists', { signal })) })
}

export function useSnoozeChoices() {
  return useQuery({
    queryKey: ['snooze-choices'],
    queryFn: ({ signal }) => answer(api.GET('/snooze-choices', { signal })),
  })
}

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
