import { expect, test } from 'vitest'
import { ABOUT, ADVISABLE, saidOf } from './said'

test.each([
  [{ matters: 1, should: null }, 'matters more'],
  [{ matters: -1, should: null }, 'matters less'],
  [{ matters: 0, should: 'task' }, 'should be advised: make a task'],
  [{ matters: 1, should: 'delete' }, 'matters more; should be advised: delete'],
] as const)('%o: %s', (said, words) => {
  expect(saidOf(said)).toBe(words)
})

test('each decision that can be advised has the key of its card', () => {
  expect(ADVISABLE.map(({ advised, key }) => `${key} ${advised}`)).toEqual([
    '1 now',
    '2 task',
    '3 snooze',
    '4 delegate',
    '5 archive',
    '6 delete',
    '7 block',
  ])
})

test('for which mail it counts is said', () => {
  expect([ABOUT.sender('Olga'), ABOUT.list('roofs.example'), ABOUT.kind('newsletters')]).toEqual([
    'mail from Olga',
    'the list roofs.example',
    'all newsletters',
  ])
})
