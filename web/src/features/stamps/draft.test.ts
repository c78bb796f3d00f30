import { expect, test } from 'vitest'
import type { StampStep } from '@/shared/api/client'
import { addable, DECISIONS, draftOf, freeKeys, newStep, STEPS, stepOf } from './draft'
import { decides, stepsText } from './using'

test.each<StampStep>([
  { do: 'label', labels: ['money', 'roof survey'] },
  { do: 'unlabel', labels: ['today'] },
  { do: 'list', list: 'Roof' },
  { do: 'read' },
  { do: 'answer', template: 't', send: true, all: false },
  { do: 'task', line: '{asked}; due friday' },
  { do: 'snooze', until: 'next tuesday 9am', for: 'answer' },
  { do: 'snooze', for: 'next_clearing' },
  { do: 'hand_over', to: 'Petra', what: 'slates', until: 'friday' },
  { do: 'mute' },
])('%o is the same after it was filled in', (step) => {
  expect(stepOf(draftOf(step))).toEqual(step)
})

test('labels are written with commas, and empty ones are passed over', () => {
  expect(stepOf({ ...newStep('label'), labels: ' money,, roof  survey ,' })).toEqual({
    do: 'label',
    labels: ['money', 'roof  survey'],
  })
})

test('what belongs to another kind of step is left behind', () => {
  expect(stepOf({ ...newStep('archive'), until: 'friday', labels: 'x' })).toEqual({ do: 'archive' })
})

test.each<[string, StampStep['do'][], StampStep['do'][]]>([
  ['nothing yet', [], STEPS.map((step) => step.do)],
  ['a decision', ['archive'], ['label', 'unlabel', 'list', 'read', 'answer']],
  ['an answer, read and a label', ['answer', 'read', 'label'], ['label', 'unlabel', 'list', ...DECISIONS]],
])('after %s, what makes sense can be added', (_, there, expected) => {
  expect(addable(there.map(newStep)).map((step) => step.do)).toEqual(expected)
})

test('a key belongs to one stamp', () => {
  const stamps = [
    { id: 'a', key: 1 },
    { id: 'b', key: 3 },
    { id: 'c', key: null },
  ]
  expect(freeKeys(stamps, 'b')).toEqual([2, 3, 4, 5, 6, 7, 8, 9])
})

test('whether it decides, and what it does in a few words', () => {
  const steps: StampStep[] = [
    { do: 'label', text: 'label money' },
    { do: 'task', text: 'task {asked}' },
  ]
  expect([decides({ steps }), decides({ steps: steps.slice(0, 1) }), stepsText({ steps })]).toEqual([
    true,
    false,
    'label money, task {asked}',
  ])
})
