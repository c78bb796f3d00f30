import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

/** How much a conversation matters, and why; nothing is asked without an id. */
export function useImportance(id: MaybeRefOrGetter<string>) {
  const of = computed(() => toValue(id))
  return useQuery({
    queryKey: ['importance', of],
    queryFn: ({ signal }) =>
      answer(api.GET('/conversations/{id}/importance', { signal, params: { path: { id: of.value } } })),
    enabled: () => toValue(id) !== '',
  })
}

export const useCorrections = () =>
  useQuery({
    queryKey: ['corrections'],
    queryFn: ({ signal }) => answer(api.GET('/corrections', { signal })),
  })
