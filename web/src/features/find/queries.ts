import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api, type FindSort, type Place } from '@/shared/api/client'
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

/** How what is typed is read, and what could follow. */
export const useReading = (words: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['find-read', words],
    queryFn: ({ signal }) =>
      answer(api.GET('/find/read', { signal, params: { query: { words: toValue(words) } } })),
    enabled: () => toValue(words).trim() !== '',
    placeholderData: keepPreviousData,
  })

/** What is found besides mail. */
export const useThings = (words: MaybeRefOrGetter<string>, whole: MaybeRefOrGetter<FindSort>) =>
  useQuery({
    queryKey: ['find-things', words, whole],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/find/things', {
          signal,
          params: { query: { words: toValue(words), whole: toValue(whole) } },
        }),
      ),
    enabled: () => toValue(words).trim() !== '',
    placeholderData: keepPreviousData,
  })

/** How much a kept search finds now; of each that is shown alone, since it may take a moment. */
export const useSearchCount = (id: string) =>
  useQuery({
    queryKey: ['search-count', id],
    queryFn: ({ signal }) => answer(api.GET('/searches/{id}/count', { signal, params: { path: { id } } })),
    staleTime: 10_000,
  })

export const useSearches = () =>
  useQuery({ queryKey: ['searches'], queryFn: ({ signal }) => answer(api.GET('/searches', { signal })) })
