import { beforeEach, expect, test } from 'vitest'
import type { AdviceGroup } from '@/shared/api/client'
import { inGroups, nextOfGroup, trayOrder, useGrouping } from './grouping'
import { row } from '@/shared/rows.fixture'
import { ref } from 'vue'

const advised = (id: string, group: AdviceGroup, more = {}) =>
  row({ id, advice: { group } as never, ...more })
/** As the server orders them. */
const rows = [
  advised('back', 'bulk', { returned: true }),
  advised('asks1', 'asks'),
  advised('asks2', 'asks'),
  advised('asks3', 'asks'),
  advised('bulk1', 'bulk'),
  row({ id: 'none' }),
]

beforeEach(() => (useGrouping(ref([])).grouping.value = 'advice'))

test('groups by advice stand in the order in which they come', () => {
  expect(inGroups(rows).map(({ name, rows: of }) => [name, of.map(({ id }) => id).join(' ')])).toEqual([
    ['Back with you', 'back'],
    ['Asks you something', 'asks1 asks2 asks3'],
    ['Bulk', 'bulk1'],
    ['Without advice', 'none'],
  ])
})

test.each([
  ['asks1', 'asks2'],
  ['asks2', 'asks3'],
  ['asks3', 'asks2'],
  ['bulk1', undefined],
  ['back', undefined],
  ['gone', undefined],
])('after %s comes %s', (id, next) => expect(nextOfGroup(rows, id)).toBe(next))

test('by importance they stand in the order in which they come, also what came back', () => {
  useGrouping(ref([])).grouping.value = 'importance'
  const weighed = (id: string, importance: number, more = {}) =>
    row({ id, advice: { group: 'asks', importance } as never, ...more })
  const given = [weighed('a', 90), weighed('b', 71, { returned: true }), weighed('c', 50), weighed('d', 3)]
  expect(inGroups(given).map(({ name, rows: of }) => [name, of.map(({ id }) => id).join(' ')])).toEqual([
    ['Matters much', 'a b'],
    ['Matters', 'c'],
    ['Matters little', 'd'],
  ])
  expect(trayOrder.value).toBe('important')
})

test('by sender, those with most mail first', () => {
  useGrouping(ref([])).grouping.value = 'sender'
  const from = (id: string, who: string) => row({ id, who })
  const groups = inGroups([from('1', 'Zora'), from('2', 'Abel'), from('3', 'Zora'), from('4', 'Moss')])
  expect(groups.map(({ name }) => name)).toEqual(['Zora', 'Abel', 'Moss'])
})

test('a folded group keeps its rows to itself', () => {
  const { fold, groups, visible } = useGrouping(ref(rows))
  const asks = groups.value.find(({ name }) => name === 'Asks you something')
  if (!asks) throw new Error('no group')
  fold(asks)
  expect(visible.value.map(({ id }) => id)).toEqual(['back', 'bulk1', 'none'])
  fold(asks)
  expect(visible.value).toHaveLength(6)
})
