import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api, type AnswerKind, type KnownPerson, type WrittenLetter } from '@/shared/api/client'

/** How a letter begins. */
export interface Beginning {
  kind: AnswerKind
  message?: string | undefined
  owed?: string | undefined
  task?: string | undefined
  /** To whom it is handed over, what, and by when (a when phrase) */
  handOver?: { to: string; what: string; until: string } | undefined
}

export const beginAnswer = (query: Beginning) =>
  answer(
    api.GET('/answers', {
      params: {
        query: {
          kind: query.kind,
          ...(query.message ? { message: query.message } : {}),
          ...(query.owed ? { owed: query.owed } : {}),
          ...(query.task ? { task: query.task } : {}),
          ...(query.handOver ?? {}),
        },
      },
    }),
  )

export const readOutgoing = (id: string) => answer(api.GET('/outgoing/{id}', { params: { path: { id } } }))

export const keepDraft = (
  id: string,
  body: { revision: number; kind: AnswerKind; message: string | null; letter: WrittenLetter },
) => answer(api.PUT('/outgoing/{id}', { params: { path: { id } }, body }))

/** Drafts, what waits to go out, and what could not. */
export const useOutgoing = () =>
  useQuery({ queryKey: ['outgoing'], queryFn: ({ signal }) => answer(api.GET('/outgoing', { signal })) })

export const useTemplates = () =>
  useQuery({ queryKey: ['templates'], queryFn: ({ signal }) => answer(api.GET('/templates', { signal })) })

export const fillTemplate = (id: string, to: string, asked: Record<string, string>) =>
  answer(api.POST('/templates/{id}/filled', { params: { path: { id } }, body: { to, asked } }))

const peopleQuery = (words: string) => ({
  queryKey: ['people', words],
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    answer(api.GET('/people', { signal, params: { query: { words, count: 6 } } })),
  staleTime: 60_000,
})

/** Known people whose name or address begins so. */
export const usePeople = (words: MaybeRefOrGetter<string>, enabled: MaybeRefOrGetter<boolean>) =>
  useQuery(
    computed(() => ({
      ...peopleQuery(toValue(words)),
      enabled: toValue(enabled),
      placeholderData: keepPreviousData<KnownPerson[]>,
    })),
  )

/**
 * The same once, for who does not wait for what is offered. What the field has asked for itself is given up as soon as
 * something else stands in it; this is not.
 */
export function useFirstPerson() {
  const client = useQueryClient()
  return async (words: string): Promise<KnownPerson | undefined> => {
    const { queryKey, queryFn } = peopleQuery(words)
    const known = client.getQueryData<KnownPerson[]>(queryKey)
    return (known ?? (await queryFn({ signal: new AbortController().signal })))[0]
  }
}
