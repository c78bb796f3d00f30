import { expect, test } from 'vitest'
import type { LookBack } from '@/shared/api/client'
import { heightsOf, plotsOf, stopAt, STOPS } from './stops'

test('from stop to stop, and not beyond', () => {
  expect(STOPS.map(({ stop }) => stopAt(stop, 1))).toEqual([
    ...STOPS.slice(1).map(({ stop }) => stop),
    undefined,
  ])
  expect(stopAt('completed', -1)).toBeUndefined()
})

test('what is not known is not drawn, and nothing is no height', () => {
  expect(heightsOf([1, null, 4, 0])).toEqual([0.25, null, 1, 0])
  expect(heightsOf([0, 0, null])).toEqual([0, 0, null])
})

test('a week is read as people say it', () => {
  const week = {
    week: '2026-11-23',
    timesTouched: 1.5,
    ratio: null,
    figures: {
      decided: 30,
      touches: 45,
      touched: 30,
      clearing: 1800,
      putOffs: 1,
      completed: 12,
      estimated: 0,
      took: 0,
      worked: 0,
    },
  } satisfies LookBack['figures'][number]
  expect(
    plotsOf([week]).map(({ values: [value], say }) => (value == null ? 'not known' : say(value))),
  ).toEqual(['30', '1.5 times', '30 min', '12', 'once', 'none', 'not known'])
})
