import { expect, test } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import type { ClearingOrder, ConversationRow } from '@/shared/api/client'
import { usePile } from './pile'
import { row } from '@/shared/rows.fixture'

/** Minutes as the moment of a row, so that a row's name says where it stands. */
const at = (id: string, minute: number, more: Partial<ConversationRow> = {}) =>
  row({ id, latestAt: new Date(Date.UTC(2026, 10, 27, 9, minute)).toISOString(), ...more })

function clearing(rows: ConversationRow[] | undefined, order: ClearingOrder = 'oldest') {
  const tray = ref(rows)
  const chosen = ref(order)
  const pile = effectScope().run(() => usePile(tray, chosen))
  if (!pile) throw new Error('no scope')
  return {
    ...pile,
    tray,
    chosen,
    ids: () => pile.pile.value.map(({ id }) => id).join(''),
    current: () => pile.current.value?.id,
    become: async (now: ConversationRow[]) => {
      tray.value = now
      await nextTick()
    },
  }
}

const abc = [at('a', 1), at('b', 2), at('c', 3)]

test('it begins when the tray is known, in the chosen order', async () => {
  const desk = clearing(undefined)
  expect(desk.isReady.value).toBe(false)
  await desk.become(abc)
  expect(desk.isReady.value).toBe(true)
  expect(desk.ids()).toBe('abc')
  desk.step(1)
  desk.chosen.value = 'newest'
  await nextTick()
  expect(desk.ids(), 'until it is known in the new order').toBe('abc')
  expect(desk.isOrdered.value).toBe(false)
  await desk.become([...abc].reverse())
  expect(desk.ids(), 'what is being looked at stays on top').toBe('bca')
  expect(desk.current()).toBe('b')
  expect(desk.isOrdered.value).toBe(true)
})

test('what is decided leaves at once, and stays out while the tray is still seen as it was', async () => {
  const desk = clearing(abc)
  desk.take()
  expect(desk.ids()).toBe('bc')
  await desk.become([...abc])
  expect(desk.ids()).toBe('bc')
  await desk.become(abc.slice(1))
  expect(desk.ids()).toBe('bc')
})

test('what is undone comes back on top, by its new revision', async () => {
  const desk = clearing(abc)
  desk.take()
  await desk.become(abc.slice(1))
  await desk.become([at('a', 1, { revision: 3 }), ...abc.slice(1)])
  expect(desk.ids()).toBe('abc')
  expect(desk.current()).toBe('a')
})

test('what arrives goes to the end, what returns comes next, and what is read stays', async () => {
  const desk = clearing(abc)
  desk.step(1)
  await desk.become([at('x', 0), at('y', 0, { returned: true }), ...abc])
  expect(desk.ids()).toBe('abycx')
  expect(desk.current()).toBe('b')
})

test.each([
  [0, 'abc', 'a'],
  [1, 'abc', 'b'],
  [2, 'abc', 'c'],
])('a decision on number %i that failed: it lies in its place again', (index, expected, id) => {
  const desk = clearing(abc)
  desk.step(index)
  const taken = desk.pile.value[index] as ConversationRow
  desk.take()
  const seen = desk.current()
  desk.putBack([taken])
  expect(desk.ids()).toBe(expected)
  expect(desk.current(), 'the one that is being looked at stays').toBe(seen ?? id)
})

test('several that failed come back in the order in which they lay', () => {
  const desk = clearing(abc)
  const [a, b] = abc as [ConversationRow, ConversationRow]
  desk.take()
  desk.take()
  desk.putBack([a, b])
  expect(desk.ids()).toBe('abc')
  expect(desk.current()).toBe('c')
})

test('whatever happens, nothing is lost, doubled, or moved away from under the eyes', async () => {
  let seed = 7
  const random = (below: number) => (seed = (seed * 16_807) % 2_147_483_647) % below
  for (let round = 0; round < 200; ++round) {
    let tray = Array.from({ length: 1 + random(6) }, (_, index) => at(String(index), index))
    const desk = clearing([...tray])
    for (let step = 0; step < 30; ++step) {
      const before = desk.current()
      switch (random(4)) {
        case 0:
          desk.step(random(3) - 1)
          break
        case 1: {
          const decided = desk.pile.value[desk.at.value]
          if (!decided) break
          desk.take()
          if (random(3)) {
            tray = tray.filter(({ id }) => id !== decided.id)
            await desk.become([...tray])
          } else desk.putBack([decided])
          break
        }
        case 2:
          tray = [at(`${round}-${step}`, step), ...tray]
          await desk.become([...tray])
          expect(desk.current() ?? before).toBe(before ?? desk.current())
          break
        default:
          await desk.become([...tray])
      }
      const shown = desk.pile.value.map(({ id }) => id)
      expect(new Set(shown).size).toBe(shown.length)
      expect([...shown].sort()).toEqual(tray.map(({ id }) => id).sort())
      expect(desk.at.value).toBeGreaterThanOrEqual(0)
      expect(desk.at.value).toBeLessThanOrEqual(shown.length)
    }
  }
})

test('what a decision takes along leaves with it, and the tray says later whether it has gone', async () => {
  const desk = clearing([at('a', 1), at('b', 2), at('c', 3), at('d', 4)])
  desk.step(1)
  desk.take(({ id }) => id === 'a' || id === 'd')
  expect(desk.ids()).toBe('c')
  expect(desk.current()).toBe('c')
  await desk.become([at('a', 1), at('b', 2), at('c', 3), at('d', 4)])
  expect(desk.ids(), 'the tray is seen as it was').toBe('c')
  desk.settle([at('b', 2)])
  await desk.become([at('c', 3), at('d', 4)])
  expect(desk.ids(), 'd had not gone after all').toBe('dc')
})

test('what did not work puts back what went along, each in its place', async () => {
  const desk = clearing([at('a', 1), at('b', 2), at('c', 3), at('d', 4)])
  desk.take(({ id }) => id === 'c')
  expect(desk.ids()).toBe('bd')
  desk.putBack([at('a', 1)])
  expect(desk.ids()).toBe('abcd')
  expect(desk.current()).toBe('b')
})
