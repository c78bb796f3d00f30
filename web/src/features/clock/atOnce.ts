import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api, newId } from '@/shared/api/client'

/** Minutes that are given to what is done at once. */
export const GIVEN = 2

interface Begun {
  title: string
  at: number
  /** When its clock went off the screen, without an answer of the server yet */
  left?: number
}
/** Milliseconds for which the server may take to accept what was done. */
const PATIENCE = 30_000
/** What is being done at once, by conversation; an answer to it may be written beside the clock. */
const begun = new Map<string, Begun>()

export const beginAtOnce = (conversation: string, title: string): void => {
  begun.set(conversation, { title, at: Date.now() })
}

/** Its clock is no longer on screen: it was done just now, or not at all. */
export function leaveAtOnce(conversation: string): void {
  const was = begun.get(conversation)
  if (was) was.left = Date.now()
}

/** It was done: how long it took is kept. That is no decision, so nobody is troubled when it cannot be. */
export function doneAtOnce(conversation: string): void {
  const was = begun.get(conversation)
  begun.delete(conversation)
  if (!was || (was.left !== undefined && Date.now() - was.left > PATIENCE)) return
  const seconds = Math.min(86_400, Math.round((Date.now() - was.at) / 1000))
  answer(
    api.POST('/clock/at-once', {
      body: { id: newId(), conversation, title: was.title.slice(0, 1000), minutes: GIVEN, seconds },
    }),
  ).catch((problem: unknown) => console.warn(problem))
}

/** How long such things take this person that are done at once, in words; empty when it is as it is given, or not known. */
export const useUsual = (title: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['usual', title],
    queryFn: async ({ signal }) =>
      (await answer(api.GET('/clock/at-once', { signal, params: { query: { title: toValue(title) } } })))
        .usual,
  })
