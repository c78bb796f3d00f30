import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

export const useStamps = () =>
  useQuery({ queryKey: ['stamps'], queryFn: ({ signal }) => answer(api.GET('/stamps', { signal })) })

/** What a stamp would do to these very conversations, now; nothing is asked without a stamp. */
export function useForeseen(stamp: MaybeRefOrGetter<string>, conversations: MaybeRefOrGetter<string[]>) {
  const [of, on] = [computed(() => toValue(stamp)), computed(() => toValue(conversations))]
  return useQuery({
    queryKey: ['foreseen', of, on],
    queryFn: ({ signal }) =>
      answer(
        api.POST('/stamps/{id}/foreseen', {
          signal,
          params: { path: { id: of.value } },
          body: { conversations: on.value },
        }),
      ),
    enabled: () => of.value !== '' && on.value.length > 0,
    staleTime: 0,
    gcTime: 0,
  })
}
