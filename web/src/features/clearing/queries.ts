import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

export function useClearing(id: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['clearing', id],
    queryFn: ({ signal }) =>
      answer(api.GET('/clearings/{id}', { signal, params: { path: { id: toValue(id) } } })),
    enabled,
    placeholderData: keepPreviousData,
  })
}
