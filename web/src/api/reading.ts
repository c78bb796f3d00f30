import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { setClock } from '@/time/clock'
import { answer, api, type Place } from './client'

/** Things return by themselves, so what is on screen is asked for again every half minute. */
const AGAIN = 30_000

export function useCounts() {
  return useQuery({
    queryKey: ['counts'],
    queryFn: async () => {
      const counts = await answer(api.GET('/counts'))
      setClock(counts.now)
      return counts
    },
    refetchInterval: AGAIN,
  })
}

export function useTray() {
  return useQuery({ queryKey: ['tray'], queryFn: () => answer(api.GET('/tray')), refetchInterval: AGAIN })
}

export function useAway() {
  return useQuery({ queryKey: ['away'], queryFn: () => answer(api.GET('/away')), refetchInterval: AGAIN })
}

export function useFind(
  words: MaybeRefOrGetter<string>,
  place: MaybeRefOrGetter<Place | ''>,
  page: MaybeRefOrGetter<number>,
) {
  return useQuery({
    queryKey: ['find', words, place, page],
    queryFn: () =>
      answer(
        api.GET('/find', {
          params: { query: { words: toValue(words), place: toValue(place), page: toValue(page) } },
        }),
      ),
    placeholderData: keepPreviousData,
  })
}

export function useConversation(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['conversation', id],
    queryFn: () => answer(api.GET('/conversations/{id}', { params: { path: { id: toValue(id) } } })),
  })
}

export function useMessage(id: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean> = true) {
  return useQuery({
    queryKey: ['message', id],
    queryFn: () => answer(api.GET('/messages/{id}', { params: { path: { id: toValue(id) } } })),
    enabled,
  })
}

export function useSource(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['source', id],
    queryFn: () => answer(api.GET('/sources/{id}', { params: { path: { id: toValue(id) } } })),
  })
}

export function useTasks(state: MaybeRefOrGetter<'open' | 'done'>) {
  return useQuery({
    queryKey: ['tasks', state],
    queryFn: () => answer(api.GET('/tasks', { params: { query: { state: toValue(state) } } })),
    placeholderData: keepPreviousData,
    refetchInterval: AGAIN,
  })
}

export function useTask(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['task', id],
    queryFn: () => answer(api.GET('/tasks/{id}', { params: { path: { id: toValue(id) } } })),
  })
}

export function useLists() {
  return useQuery({ queryKey: ['lists'], queryFn: () => answer(api.GET('/lists')) })
}

export function useSnoozeChoices() {
  return useQuery({ queryKey: ['snooze-choices'], queryFn: () => answer(api.GET('/snooze-choices')) })
}

export function useJournal() {
  return useInfiniteQuery({
    queryKey: ['journal'],
    queryFn: ({ pageParam }) =>
      answer(api.GET('/journal', { params: { query: pageParam === null ? {} : { before: pageParam } } })),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => (page.more ? (page.entries.at(-1)?.number ?? null) : null),
  })
}
