import { describe, expect, it } from 'vitest'
import { AFTER, BEHIND, IN_FRONT, SEARCHING, untilBeat } from './beats'

const here = { isVisible: true, isReachable: true }

describe('when the server is asked again', () => {
  it('asks as usual as long as nothing is known to happen before', () => {
    expect(untilBeat(here)).toBe(IN_FRONT)
    expect(untilBeat({ ...here, isVisible: false })).toBe(BEHIND)
    expect(untilBeat({ ...here, untilNext: IN_FRONT * 10 })).toBe(IN_FRONT)
    expect(untilBeat({ ...here, isVisible: false, untilNext: BEHIND + 1 })).toBe(BEHIND)
  })

  it('asks at the moment at which something changes, and not at the next beat', () => {
    for (const untilNext of [1, 250, 2_000, 7_000, IN_FRONT - AFTER]) {
      expect(untilBeat({ ...here, untilNext })).toBe(untilNext + AFTER)
      expect(untilBeat({ ...here, isVisible: false, untilNext })).toBe(untilNext + AFTER)
    }
  })

  it('does not ask without a pause when the moment is past', () => {
    for (const untilNext of [0, -1, -5_000, -Infinity]) expect(untilBeat({ ...here, untilNext })).toBe(AFTER)
  })

  it('looks for a server that does not answer more often than usual, whatever is to come', () => {
    for (const untilNext of [undefined, 10, IN_FRONT]) {
      expect(untilBeat({ isVisible: false, isReachable: false, untilNext })).toBe(SEARCHING)
    }
    expect(SEARCHING).toBeLessThan(IN_FRONT)
  })
})
