import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api, type Priority, type PutOff } from '@/shared/api/client'
import { together, useParts } from '@/shared/api/parts'

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
    enabled: () => toValue(id) !== '',
    queryFn: ({ signal }) =>
      answer(api.GET('/tasks/{id}', { signal, params: { path: { id: toValue(id) } } })),
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
