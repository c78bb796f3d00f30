import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

/** What is asked when today is laid out. */
export const useMorning = () =>
  useQuery({
    queryKey: ['morning'],
    queryFn: ({ signal }) => answer(api.GET('/rituals/morning', { signal })),
    placeholderData: keepPreviousData,
  })

/** What was done today, and what is asked about it in the evening. */
export const useEvening = () =>
  useQuery({
    queryKey: ['evening'],
    queryFn: ({ signal }) => answer(api.GET('/rituals/evening', { signal })),
    placeholderData: keepPreviousData,
  })

/** The week, as one looks back over it. */
export const useLookBack = () =>
  useQuery({
    queryKey: ['look-back'],
    queryFn: ({ signal }) => answer(api.GET('/look-back', { signal })),
    placeholderData: keepPreviousData,
  })
