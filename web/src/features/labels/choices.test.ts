import { expect, test } from 'vitest'
import type { Label } from '@/shared/api/client'
import { choicesOf } from './choices'

const label = (name: string): Label => ({
  id: name,
  name,
  colour: 'sea',
  untilDealt: false,
  tray: 0,
  conversations: 0,
  tasks: 0,
})
const LABELS = ['Harbour', 'money', 'old harbour'].map(label)

test.each([
  ['', ['Harbour', 'money', 'old harbour']],
  ['HARB', ['Harbour', 'old harbour', 'HARB (new)']],
  ['old', ['old harbour', 'old (new)']],
  [' old   harbour ', ['old harbour']],
  ['  quay  side ', ['quay side (new)']],
])('after “%s”: %o', (typed, expected) => {
  const shown = choicesOf(LABELS, typed, []).map((one) => one.name + (one.label ? '' : ' (new)'))
  expect(shown).toEqual(expected)
})

test('how many of them bear it already is told', () => {
  const [harbour, money] = LABELS as [Label, Label]
  expect(choicesOf(LABELS, '', [[harbour, money], [harbour]]).map(({ on }) => on)).toEqual([
    'all',
    'some',
    'none',
  ])
})
