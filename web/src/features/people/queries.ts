import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api } from '@/shared/api/client'

export const usePerson = (email: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['people', 'one', email],
    queryFn: ({ signal }) =>
      answer(api.GET('/people/{email}', { signal, params: { path: { email: toValue(email) } } })),
    retry: false,
  })

/** Everybody of that name, as far as mail was written. */
export const useKnownPeople = (words: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['people', 'all', words],
    queryFn: ({ signal }) =>
      answer(api.GET('/people', { signal, params: { query: { words: toValue(words), count: 500 } } })),
    placeholderData: keepPreviousData,
  })

export const useContacts = () =>
  useQuery({ queryKey: ['contacts'], queryFn: ({ signal }) => answer(api.GET('/contacts', { signal })) })
