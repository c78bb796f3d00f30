import { beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import type { TaskRow } from '@/shared/api/client'
import { useTree } from './tree'

const list = { id: 'roof', name: 'Roof', colour: 'sea' }
const task = (id: string, parent: string | null = null, rank = id): TaskRow =>
  ({ id, title: id, rank, list, parent: parent ? { id: parent, title: parent } : null }) as TaskRow

/**
 * a
 *   b
 *     c
 *   d
 * e
 */
const some = () => [task('e'), task('d', 'a'), task('c', 'b'), task('b', 'a'), task('a')]

const shown = (tree: ReturnType<typeof useTree>) =>
  tree.leaves.value.map(({ id, depth, children }) => `${'.'.repeat(depth)}${id}${children || ''}`)

beforeEach(() => localStorage.clear())

describe('the person’s own order', () => {
  it('stands under one another by rank, whatever the order in which they came', () => {
    expect(shown(useTree(ref(some())))).toEqual(['a2', '.b1', '..c', '.d', 'e'])
    expect(shown(useTree(ref([task('x', null, 'b'), task('y', null, 'a'), task('w', null, 'b')])))).toEqual([
      'y',
      'w',
      'x',
    ])
  })

  it('has what is a part of something that is not there stand by itself', () => {
    expect(shown(useTree(ref(some().filter(({ id }) => id !== 'a'))))).toEqual(['b1', '.c', 'd', 'e'])
  })

  it('leaves out what lies under a folded one, and remembers it', () => {
    const tree = useTree(ref(some()))
    tree.fold(task('b', 'a'))
    expect(shown(tree)).toEqual(['a2', '.b1', '.d', 'e'])
    expect([tree.isFolded(task('b')), tree.isFolded(task('a'))]).toEqual([true, false])
    tree.fold(task('b', 'a'))
    expect(shown(tree)).toHaveLength(5)
  })
})

describe('where a task goes', () => {
  const tree = useTree(ref(some()))

  it.each([
    ['down, behind the next one', tree.beside(task('b', 'a'), 1), { behind: 'd' }],
    ['down, where it is the last', tree.beside(task('d', 'a'), 1), null],
    ['up, to the beginning under its parent', tree.beside(task('d', 'a'), -1), { parent: 'a', first: true }],
    ['up, to the beginning of the list', tree.beside(task('e'), -1), { list: 'roof', first: true }],
    ['up, where it is the first', tree.beside(task('a'), -1), null],
    ['inward, under the one above', tree.inward(task('d', 'a')), { parent: 'b' }],
    ['inward, where there is none above', tree.inward(task('b', 'a')), null],
    ['outward, behind what it was a part of', tree.outward(task('d', 'a')), { behind: 'a' }],
    ['outward, where it is a part of nothing', tree.outward(task('e')), null],
    ['dropped under another', tree.dropped(task('e'), 'under'), { parent: 'e' }],
    ['dropped behind another', tree.dropped(task('e'), 'behind'), { behind: 'e' }],
    ['dropped before the second', tree.dropped(task('d', 'a'), 'before'), { behind: 'b' }],
    [
      'dropped before the first of a parent',
      tree.dropped(task('b', 'a'), 'before'),
      { parent: 'a', first: true },
    ],
    [
      'dropped before the first of the list',
      tree.dropped(task('a'), 'before'),
      { list: 'roof', first: true },
    ],
  ])('%s', (_, spot, expected) => {
    expect(spot).toEqual(expected)
  })

  it('goes up between two by standing behind the one before them', () => {
    const three = useTree(ref([task('a'), task('b'), task('c')]))
    expect(three.beside(task('c'), -1)).toEqual({ behind: 'a' })
  })
})
