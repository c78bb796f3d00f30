import { useQuery, useQueryClient, type QueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'
import { onScreen } from '@/shared/time/later'

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

/** The message that a lasting address names. */
export function useMessageAt(address: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['message-at', address],
    queryFn: ({ signal }) =>
      answer(api.GET('/message-addresses', { signal, params: { query: { address: toValue(address) } } })),
    retry: false,
  })
}

/** The copies that tasks keep of a message that is not there. */
export const useCopies = (address: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['copies', address],
    queryFn: ({ signal }) =>
      answer(api.GET('/sources', { signal, params: { query: { address: toValue(address) } } })),
    enabled,
  })
