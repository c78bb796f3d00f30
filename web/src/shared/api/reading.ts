import {
  keepPreviousData,
  useInfiniteQuery,
  useQuery,
  useQueryClient,
  type QueryClient,
} from '@tanstack/vue-query'
import { computed, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { onScreen } from '../time/later'
import { together, useParts } from './parts'
import { answer, api, type ComingKind, type Place, type Priority, type PutOff } from './client'

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

/** Everything that comes, on its time line. */
export const useComing = (kinds: MaybeRefOrGetter<ComingKind[]>) =>
  useParts(['coming', kinds], (after, signal) =>
    answer(api.GET('/coming', { signal, params: { query: { kinds: toValue(kinds).join(','), after } } })),
  )

/** What putting tasks off would change. */
export function usePutOffPreview(putOff: MaybeRefOrGetter<PutOff | null>) {
  return useQuery({
    queryKey: ['put-off', putOff],
    queryFn: ({ signal }) =>
      answer(api.POST('/tasks/put-offs/preview', { signal, body: toValue(putOff) as PutOff })),
    enabled: () => toValue(putOff) !== null,
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 0,
  })
}

export function useFind(
  words: MaybeRefOrGetter<string>,
  place: MaybeRefOrGetter<Place | 'muted' | ''>,
  enabled: MaybeRefOrGetter<boolean> = true,
) {
  const found = useParts(
    ['find', words, place],
    (after, signal) =>
      answer(
        api.GET('/find', {
          signal,
          params: { query: { words: toValue(words), place: toValue(place), after } },
        }),
      ),
    enabled,
  )
  return {
    ...found,
    data: computed(
      () =>
        found.parts.value && {
          rows: together(found.parts.value.map(({ rows }) => rows)),
          hits: Object.assign({}, ...found.parts.value.map(({ hits }) => hits)) as Record<string, string>,
          total: found.parts.value.at(-1)?.total ?? 0,
        },
    ),
  }
}

const conversation = (id: string, queries: QueryClient) => ({
  queryKey: ['conversation', id],
  queryFn: async ({ signal }: { signal: AbortSignal }) => {
    // What was loaded ahead is shown first and asked for again then.
    if (queries.getQueryData(['conversation', id])) await onScreen()
    return answer(api.GET('/conversations/{id}', { signal, params: { path: { id } } }))
  },
})

export function useConversation(id: MaybeRefOrGetter<string>) {
  const queries = useQueryClient()
  return useQuery(computed(() => ({ ...conversation(toValue(id), queries), enabled: toValue(id) !== '' })))
}

/** Has conversations ready before they are looked at. */
export function useLoadAhead() {
  const queries = useQueryClient()
  return (ids: string[]) => {
    for (const id of ids) {
      // What is there already is asked for again when it is looked at, not before.
      if (queries.getQueryState(['conversation', id]) === undefined) {
        void queries.prefetchQuery(conversation(id, queries))
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

export interface TaskFilter {
  /** Of that list only, even an archived one; empty for all */
  list: string
  label: string
  priority: Priority | ''
  words: string
}

const filtering = (filter: TaskFilter) => {
  const { list, label, priority, words } = filter
  return { words, label, ...(list ? { list } : {}), ...(priority ? { priority } : {}) }
}

/** Tasks, a part at a time, with how many there are in all. */
export function useTasks(
  query: MaybeRefOrGetter<TaskFilter & { state: 'open' | 'waiting' | 'done'; parts?: boolean }>,
  enabled: MaybeRefOrGetter<boolean> = true,
) {
  const found = useParts(
    ['tasks', query],
    (after, signal) => {
      const { state, parts = false, ...filter } = toValue(query)
      return answer(
        api.GET('/tasks', { signal, params: { query: { state, parts, ...filtering(filter), after } } }),
      )
    },
    enabled,
  )
  return {
    ...found,
    tasks: computed(() => found.parts.value && together(found.parts.value.map(({ tasks }) => tasks))),
    total: computed(() => found.parts.value?.at(-1)?.total ?? 0),
  }
}

/** All tasks of a list, to be shown as they lie under one another. */
export function useTaskTree(filter: MaybeRefOrGetter<TaskFilter>, enabled: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['tasks', 'tree', filter],
    queryFn: ({ signal }) => {
      const { list, ...others } = filtering(toValue(filter))
      return answer(api.GET('/task-tree', { signal, params: { query: { list: list ?? '', ...others } } }))
    },
    enabled,
    placeholderData: keepPreviousData,
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

export function useLabels() {
  return useQuery({ queryKey: ['labels'], queryFn: ({ signal }) => answer(api.GET('/labels', { signal })) })
}

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

/** The message that a lasting address names. */
export function useMessageAt(address: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['message-at', address],
    queryFn: ({ signal }) =>
      answer(api.GET('/message-addresses', { signal, params: { query: { address: toValue(address) } } })),
    retry: false,
  })
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

/** What tasks of conversations would be; the same wherever they are made. */
export const proposalsOf = (conversations: string[]) =>
  answer(api.POST('/proposals', { body: { conversations } }))

export const useProposals = (conversations: MaybeRefOrGetter<string[]>, enabled: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['conversation', 'proposals', conversations],
    queryFn: () => proposalsOf(toValue(conversations)),
    enabled,
    staleTime: 60_000,
  })

/** The copies that tasks keep of a message that is not there. */
export const useCopies = (address: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['copies', address],
    queryFn: ({ signal }) =>
      answer(api.GET('/sources', { signal, params: { query: { address: toValue(address) } } })),
    enabled,
  })
