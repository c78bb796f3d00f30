import type { QueryClient } from '@tanstack/vue-query'
import { shallowRef } from 'vue'
import type { ConversationRow } from '../api/client'
import { Problem } from '../api/problem'

/** The rows of these ids, in the places that they had before among what is still there. */
export function putBack<T extends { id: string }>(now: T[], before: T[], ids: string[]): T[] {
  const there = new Set(now.map(({ id }) => id))
  const place = new Map(before.map(({ id }, index) => [id, index]))
  const lost = before.filter(({ id }) => ids.includes(id) && !there.has(id))
  return lost.reduce((rows, row) => {
    const own = place.get(row.id) ?? 0
    const next = rows.findIndex(({ id }) => (place.get(id) ?? -1) > own)
    return rows.toSpliced(next < 0 ? rows.length : next, 0, row)
  }, now)
}

/** What left a list and came back, since it was not accepted. */
export const cameBack = shallowRef<string[]>([])

/**
 * How conversations leave the list that is on screen.
 *
 * @param forget what was loaded of one of them
 * @param askAgain what is on screen may be older than what has happened
 */
export function useLeaving(queries: QueryClient, forget: (id: string) => void, askAgain: () => void) {
  /** The tray in each order in which it was asked for. */
  const trays = () => queries.getQueriesData<ConversationRow[]>({ queryKey: ['tray'] })

  /** Out of the list that is on screen. */
  function without(ids: string[]): void {
    for (const [key, shown] of trays())
      if (shown)
        queries.setQueryData(
          key,
          shown.filter((row) => !ids.includes(row.id)),
        )
  }

  function left(ids: string[]): void {
    without(ids)
    for (const id of ids) forget(id)
  }

  /**
   * Takes conversations out of the list at once. When the call fails, they come back to where they were; what has
   * been decided meanwhile stays out.
   */
  async function leaving<T>(ids: string[], call: () => Promise<T>): Promise<T> {
    await queries.cancelQueries({ queryKey: ['tray'] })
    const before = trays()
    without(ids)
    try {
      const result = await call()
      left(ids)
      return result
    } catch (problem) {
      for (const [key, then] of before) {
        const now = queries.getQueryData<ConversationRow[]>(key)
        if (then && now) queries.setQueryData(key, putBack(now, then, ids))
      }
      cameBack.value = ids
      // What is on screen may be older than what happened.
      if (problem instanceof Problem && problem.status === 409) askAgain()
      throw problem
    }
  }

  return { left, leaving }
}
