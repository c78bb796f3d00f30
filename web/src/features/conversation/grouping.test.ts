import { beforeEach, expect, test } from 'vitest'
import type { AdviceGroup } from '@/shared/api/client'
import { inGroups, nextOfGroup, useGrouping } from './grouping'
import { row } from '@/shared/rows.fixture'
import { ref } from 'vue'

const advised = (id: string, group: AdviceGroup, more = {}) =>
  row({ id, advice: { group } as never, ...more })
const rows = [
  advised('bulk1', 'bulk'),
  advised('asks1', 'asks'),
  row({ id: 'none' }),
  advised('asks2', 'asks'),
  advised('back', 'bulk', { returned: true }),
  advised('asks3', 'asks'),
]

beforeEach(() => (useGrouping(ref([])).grouping.value = 'advice'))

test('what came back stands first, then by advice, and what has none last', () => {
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
