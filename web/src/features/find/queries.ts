import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api, type Place } from '@/shared/api/client'
import { together, useParts } from '@/shared/api/parts'

export function useFind(
  words: MaybeRefOrGetter<string>,
  place: MaybeRefOrGetter<Place | 'muted' | ''>,
  label: MaybeRefOrGetter<string> = '',
  list: MaybeRefOrGetter<string> = '',
  enabled: MaybeRefOrGetter<boolean> = true,
) {
  const found = useParts(
    ['find', words, place, label, list],
    (after, signal) =>
      answer(
        api.GET('/find', {
          signal,
          params: {
            query: {
              words: toValue(words),
              place: toValue(place),
              after,
              ...(toValue(label) ? { label: toValue(label) } : {}),
              ...(toValue(list) ? { list: toValue(list) } : {}),
            },
          },
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
