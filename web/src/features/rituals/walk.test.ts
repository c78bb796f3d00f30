import { expect, test } from 'vitest'
import { ref } from 'vue'
import type { DayAsk, TaskRow } from '@/shared/api/client'
import { groupsOf, leftText, movesOf, whyOf } from './asks'
import { useWalk } from './walk'

const ask = (id: string, more: Partial<DayAsk> = {}): DayAsk => ({
  why: 'over',
  task: { id, title: id } as TaskRow,
  conversation: null,
  owed: null,
  slots: [],
  minutes: 0,
  free: null,
  ...more,
})
const slot = (id: string, minutes: number, date = '2026-11-23') => ({
  id,
  task: 'lens',
  date,
  time: null,
  begins: null,
  minutes,
  done: false,
})

test('what is answered leaves at once, comes back when it is refused, and when it was undone', async () => {
  const asks = ref([ask('lens'), ask('rota'), ask('roof')])
  const askedAt = ref(1)
  const walk = useWalk(asks, askedAt)
  expect(walk.current.value?.task?.id).toBe('lens')
  const lens = walk.current.value as DayAsk
  await walk.take(lens, () => Promise.resolve(false))
  expect([walk.current.value?.task?.id, walk.decided.value]).toEqual(['lens', 0])
  const taken = walk.take(lens, () => Promise.resolve(true))
  // What was asked for before it was accepted says nothing yet.
  askedAt.value = 2
  await taken
  expect([walk.current.value?.task?.id, walk.left.value.length, walk.decided.value]).toEqual(['rota', 2, 1])
  // It was undone before the list was asked for again, which is as it was.
  askedAt.value = 3
  await Promise.resolve()
  expect(walk.current.value?.task?.id).toBe('lens')
})

test('what is passed over is looked at again when one wants to', () => {
  const walk = useWalk(ref([ask('lens'), ask('rota')]), ref(0))
  walk.pass()
  walk.pass()
  expect([walk.current.value, walk.skipped.value.length]).toEqual([undefined, 2])
  walk.back()
  expect(walk.current.value?.task?.id).toBe('rota')
  walk.again()
  expect(walk.current.value?.task?.id).toBe('lens')
})

test('pieces that are left over go one after the other', () => {
  const two = ask('lens', { slots: [slot('a', 45), slot('b', 30)] })
  expect(movesOf(two, '2026-11-24', '23:30').map(({ when }) => when.time)).toEqual(['23:30', '23:59'])
  expect(movesOf(two, '2026-11-24', '09:30')).toEqual([
    { id: 'a', when: { date: '2026-11-24', time: '09:30' }, minutes: 45 },
    { id: 'b', when: { date: '2026-11-24', time: '10:15' }, minutes: 30 },
  ])
  expect(movesOf(two, '2026-11-24', null).map(({ when }) => when.time)).toEqual([null, null])
})

test('it is said why', () => {
  const left = ask('lens', { why: 'left', slots: [slot('a', 45)] })
  expect(whyOf(left, '2026-11-24')).toBe('It was meant for Mon 23 Nov, and was not done then.')
  expect(whyOf(left, '2026-11-23')).toBe('It was meant for today, and is not done.')
  expect(groupsOf([left, ask('a'), ask('b')])).toBe('1 left over, 2 over')
  expect([leftText(0), leftText(1), leftText(2)]).toEqual([
    '',
    '1 thing passed over; it stays as it is.',
    '2 things passed over; they stay as they are.',
  ])
})
