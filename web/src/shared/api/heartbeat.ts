import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useDocumentVisibility } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { millisecondsUntil, setClock } from '../time/clock'
import { untilBeat } from './beats'
import { Problem } from './problem'
import { answer, api, lostCalls, type Heartbeat } from './client'
import { useSession } from './session'

const KEY = ['heartbeat']

/** Milliseconds after which the server counts as gone. */
const PATIENCE = 10_000

let tag = ''
let last: Heartbeat | undefined
/** The newest entry of the journal that this page has made itself, and asked for everything again after. */
let own = 0

/** What this page did itself is no news to it. */
export const noteOwn = (number: number): void => {
  own = Math.max(own, number)
}

/** Whether the server answered at the last beat. */
export const isReachable = ref(true)

async function beat({ signal }: { signal: AbortSignal }): Promise<Heartbeat> {
  const headers = tag && last ? { 'If-None-Match': tag } : {}
  const found = await answer(
    api
      .GET('/heartbeat', {
        signal: AbortSignal.any([signal, AbortSignal.timeout(PATIENCE)]),
        headers,
        cache: 'no-store',
      })
      .then((result) => {
        if (result.response.status === 304 && last) {
          return { data: last, response: new Response(null, { status: 200 }) }
        }
        tag = result.response.headers.get('ETag') ?? ''
        return result
      }),
  )
  if (found !== last) setClock(found.now, found.milliseconds)
  last = found
  return found
}

const useBeat = () =>
  useQuery({ queryKey: KEY, queryFn: beat, staleTime: 1000, refetchOnWindowFocus: 'always', retry: 1 })

/** How much each view holds. */
export function useCounts() {
  const { data } = useBeat()
  return { data: computed(() => data.value?.counts) }
}

/** Whether somebody works in the background; what one beat alone says may only be that it has just begun. */
export function useIsWorked() {
  const { data, dataUpdatedAt } = useBeat()
  const missed = ref(0)
  watch(dataUpdatedAt, () => (missed.value = data.value?.worker === false ? missed.value + 1 : 0))
  return computed(() => missed.value < 2)
}

/** The reminders that have come and wait for an answer. */
export function useRings() {
  const { data } = useBeat()
  return computed(() => data.value?.rings ?? [])
}

/** The clock of a task that runs, if one does. */
export function useRunningClock() {
  const { data } = useBeat()
  return computed(() => data.value?.clock ?? null)
}

/**
 * Keeps the page in step with what happens without it: what comes back or is due by itself, mail that comes in, what
 * is done in another window. To be used once.
 */
export function useHeartbeat(): void {
  const queries = useQueryClient()
  const visibility = useDocumentVisibility()
  const { data, error, dataUpdatedAt, errorUpdatedAt } = useBeat()
  const { account } = useSession()
  const ticker = new Worker(new URL('../time/ticker.ts', import.meta.url), { type: 'module' })

  function windUp(): void {
    const isDown = errorUpdatedAt.value > dataUpdatedAt.value
    const untilNext = data.value && !isDown ? millisecondsUntil(data.value.next) : undefined
    const isVisible = visibility.value === 'visible'
    ticker.postMessage(untilBeat({ isVisible, isReachable: isReachable.value, untilNext }))
  }
  ticker.onmessage = () => {
    void queries.refetchQueries({ queryKey: KEY })
    windUp()
  }
  watch([dataUpdatedAt, errorUpdatedAt, visibility, isReachable], windUp, { immediate: true })
  watch(errorUpdatedAt, () => {
    if (error.value instanceof Problem && error.value.status === 0) isReachable.value = false
  })
  watch(dataUpdatedAt, () => (isReachable.value = true))
  // A call that got no answer may only have been lost itself.
  watch(lostCalls, () => {
    if (isReachable.value) void queries.refetchQueries({ queryKey: KEY }, { cancelRefetch: false })
  })
  watch(isReachable, (now) => {
    if (!now) return
    void queries.invalidateQueries({
      predicate: ({ queryKey }) => queryKey[0] !== 'session' && queryKey[0] !== KEY[0],
    })
  })
  onScopeDispose(() => ticker.terminate())

  watch(data, heard, { immediate: true })
  function heard(now?: Heartbeat, before?: Heartbeat): void {
    // What the first view shows was asked for after the session, and perhaps before something happened.
    const marks = before?.marks ?? account.value?.marks
    if (!now || !marks) return
    if (now.marks.settings !== marks.settings) void queries.invalidateQueries({ queryKey: ['session'] })
    const isPassed = before !== undefined && millisecondsUntil(before.next) <= 0
    const isDone = now.marks.journal !== marks.journal && now.marks.journal > own
    const isRead = now.marks.read !== marks.read
    if (isPassed || isDone || isRead || now.marks.mail !== marks.mail) {
      void queries.invalidateQueries({
        predicate: ({ queryKey }) => queryKey[0] !== 'session' && queryKey[0] !== KEY[0],
      })
    }
  }
}
