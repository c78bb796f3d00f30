import { expect, test } from 'vitest'
import { accepted, begun, quoted, turned, without } from './search'

const typed = 'slätes 🙂 not from ada before friday'
const ada = { from: 9, to: 21 }
const friday = { from: 22, to: 35 }

test('a refinement is taken out', () => {
  expect(without(typed, ada)).toBe('slätes 🙂 before friday')
  expect(without(typed, friday)).toBe('slätes 🙂 not from ada')
})

test('a refinement is turned round, and back', () => {
  expect(turned(typed, ada, true)).toBe('slätes 🙂 from ada before friday')
  expect(turned(typed, friday, false)).toBe('slätes 🙂 not from ada not before friday')
})

test('a refinement is looked for as words', () => {
  expect(quoted(typed, friday)).toBe('slätes 🙂 not from ada "before friday"')
  expect(quoted('list "no such"', { from: 0, to: 14 })).toBe('"list no such"')
})

test('an offer takes the place of what was begun', () => {
  expect(accepted('slätes 🙂 bef', { from: 9, text: 'before ' })).toBe('slätes 🙂 before ')
  expect(accepted('from ta', { from: 5, text: '"Tam Reed" ' })).toBe('from "Tam Reed" ')
})

test('one more is begun', () => {
  expect(begun('slates ', 'from')).toBe('slates from ')
  expect(begun('', 'with attachment')).toBe('with attachment ')
})
