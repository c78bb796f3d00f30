/** Milliseconds between two beats, when nothing is known to happen before. */
export const IN_FRONT = 8_000
export const BEHIND = 60_000
/** While the server does not answer. */
export const SEARCHING = 3_000
/** A little after the moment, so that it has passed for the server, too. */
export const AFTER = 100

/** What is known when the next beat is set. */
interface Known {
  isVisible: boolean
  isReachable: boolean
  /** Milliseconds until something changes by itself; undefined when that cannot be told. */
  untilNext?: number
}

/** Milliseconds until the server is asked again: at the moment at which something changes, but never later than usual. */
export function untilBeat({ isVisible, isReachable, untilNext }: Known): number {
  if (!isReachable) return SEARCHING
  const usual = isVisible ? IN_FRONT : BEHIND
  return untilNext === undefined ? usual : Math.max(AFTER, Math.min(usual, untilNext + AFTER))
}
