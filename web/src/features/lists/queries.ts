import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'
import { useParts } from '@/shared/api/parts'

/** @param most so many of each stage */
export const useStages = (id: MaybeRefOrGetter<string>, most: MaybeRefOrGetter<number>) =>
  useQuery({
    queryKey: ['list-stages', id, most],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/lists/{id}/stages', {
          signal,
          params: { path: { id: toValue(id) }, query: { most: toValue(most) } },
        }),
      ),
    // The cards stay while more are asked for, or another list.
    placeholderData: keepPreviousData,
  })

export const useReferences = (id: MaybeRefOrGetter<string>) =>
  useParts(['references', id], (after, signal) =>
    answer(
      api.GET('/lists/{id}/references', { signal, params: { path: { id: toValue(id) }, query: { after } } }),
    ),
  )
