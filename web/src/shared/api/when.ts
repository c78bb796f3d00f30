import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { components } from './contract'
import { answer, api, type Due, type When } from './client'

export type Reading = components['schemas']['Reading']
export type Unreadable = components['schemas']['Unreadable']
export type ReadAs = 'when' | 'reminder' | 'estimate' | 'event'

/** A time as it stands in a field: the words, and what they were read as so far. */
export interface Written {
  phrase: string
  reading: Reading | null
}

/** Fast enough to be there when the hand rests, slow enough not to ask for each letter. */
const PAUSE = 120

/** What a phrase says, a moment after it was written. */
export function useReading(
  phrase: MaybeRefOrGetter<string>,
  as: MaybeRefOrGetter<ReadAs>,
  anchors: MaybeRefOrGetter<{ start?: string; due?: string }> = {},
) {
  const written = computed(() => toValue(phrase).trim())
  const settled = refDebounced(written, PAUSE)
  const query = useQuery({
    queryKey: ['when', () => toValue(as), settled, () => toValue(anchors)],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/when', {
          signal,
          params: { query: { phrase: settled.value, as: toValue(as), ...toValue(anchors) } },
        }),
      ),
    enabled: () => settled.value !== '',
    staleTime: 20_000,
  })
  /** Only what belongs to the words that stand there now. */
  return computed<Reading | Unreadable | null>(() =>
    written.value !== '' && written.value === settled.value ? (query.data.value ?? null) : null,
  )
}

/** Reads a phrase once. */
export const readOnce = (phrase: string, as: ReadAs) =>
  answer(api.GET('/when', { params: { query: { phrase, as } } }))

/** The reminder that is proposed for a due; empty when none is. */
export const firstReminderOf = async (due: string): Promise<string> =>
  due.trim() ? (await answer(api.GET('/first-reminder', { params: { query: { due } } }))).text : ''

/** A day, and perhaps a time, as a phrase that the server gives the words for. */
export const plain = ({ date, time }: { date: string; time?: string | null | undefined }): string =>
  time ? `${date} ${time}` : date

/** Whether what stands in a field says what such a phrase does. */
export const says = ({ phrase, reading }: Written, plainly: string): boolean =>
  phrase === plainly || (!!reading?.date && plain({ date: reading.date, time: reading.time }) === plainly)

export const written = (due: Due | null | undefined): Written => ({ phrase: due?.text ?? '', reading: null })

/** What is sent: what was shown, or the words when nothing is shown yet. */
export function toWhen({ phrase, reading }: Written): When | null {
  if (!phrase.trim()) return null
  return reading?.date ? { date: reading.date, time: reading.time } : { phrase }
}
