import type { Mailbox } from '@/shared/api/client'

/** How fast something gets less, from what was left of it at several moments. */
export interface Sample {
  /** Milliseconds */
  at: number
  left: number
}

/** What was longer ago does not count; and in less time nothing can be said. Milliseconds. */
const LONGEST = 60_000
const SHORTEST = 4000

/** The samples with another one: what went up began anew. */
export function sampled(samples: Sample[], now: Sample): Sample[] {
  const last = samples.at(-1)
  if (last && now.left > last.left) return [now]
  return [...samples.filter(({ at }) => now.at - at <= LONGEST), now]
}

/** So many each second, and the milliseconds that are left; null: that cannot be told yet. */
export function paceOf(samples: Sample[]): { rate: number; left: number } | null {
  const first = samples[0]
  const last = samples.at(-1)
  if (!first || !last || last.at - first.at < SHORTEST || last.left >= first.left) return null
  const rate = (1000 * (first.left - last.left)) / (last.at - first.at)
  return { rate, left: (1000 * last.left) / rate }
}

/** Where the first time of a mailbox stands. */
export type Coming = 'looking' | 'coming' | 'stopped' | 'reading' | 'check' | 'done'

/** What comes in during a day is no news. */
const FEW = 20

export function comingOf(one: Mailbox): Coming {
  if (one.paused) return 'done'
  if (!one.lookedAt) return 'looking'
  const isWaiting = one.older.state === 'waiting'
  if (!one.takesOlder && one.wanted > 0) return 'stopped'
  if (one.wanted > FEW || (isWaiting && one.older.coming > 0)) return 'coming'
  if (!isWaiting || one.older.messages === 0) return 'done'
  return one.older.reading > 0 ? 'reading' : 'check'
}
