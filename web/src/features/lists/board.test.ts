import { describe, expect, it } from 'vitest'
import type { ListCard, StageOfCards } from '@/shared/api/client'
import { behindAt, beside, pastNext, stood } from './board'

const card = (id: string): ListCard => ({
  kind: 'task',
  id,
  since: '2026-11-24T10:00:00Z',
  up: false,
  conversation: null,
  task: null,
})
const cards = (ids: string) => [...ids].map(card)
const stages = (...each: string[]): StageOfCards[] =>
  each.map((ids) => ({ stage: null, total: ids.length, up: 0, cards: cards(ids) }))

describe('where a card is dropped', () => {
  it.each([
    ['abc', 0, 'x', null],
    ['abc', 1, 'x', 'a'],
    ['abc', 3, 'x', undefined],
    ['abc', 1, 'a', null],
    ['abc', 2, 'a', 'b'],
    ['abc', 3, 'a', undefined],
    ['abc', 2, 'c', undefined],
    ['abcd', 2, 'bc', 'a'],
    ['', 0, 'x', undefined],
  ])('in %s at %i, moving %s', (there, at, moved, behind) => {
    const found = behindAt(cards(there), at, new Set(moved))
    expect(found && found.id).toBe(behind)
  })
})

describe('the card beside one', () => {
  it.each([
    [['ab', 'c', 'def'], 'b', 1, 'c'],
    [['ab', '', 'def'], 'b', 1, 'e'],
    [['ab', 'c', 'def'], 'f', -1, 'c'],
    [['ab', 'c'], 'c', 1, undefined],
    [['', 'c'], undefined, 1, 'c'],
    [['', ''], undefined, 1, undefined],
  ])('%j from %s by %i', (each, id, by, to) => {
    expect(beside(stages(...each), id, by)).toBe(to)
  })
})

describe('a card past the next one', () => {
  it.each([
    ['abc', 'a', 1, 'b'],
    ['abc', 'b', 1, 'c'],
    ['abc', 'c', 1, undefined],
    ['abc', 'a', -1, undefined],
    ['abc', 'b', -1, null],
    ['abc', 'c', -1, 'a'],
  ] as const)('%s: %s by %i', (there, id, by, behind) => {
    const found = pastNext(cards(there), id, by)
    expect(found && found.id).toBe(behind)
  })
})

describe('how long it has stood there', () => {
  const since = (days: number) => new Date(Date.now() - days * 86_400_000 - 1000).toISOString()
  it.each([
    [0, false, null, 'since today'],
    [1, false, null, 'here 1 day'],
    [12, false, 20, 'here 12 days'],
    [12, true, 5, 'here 12 days, 7 too long'],
    [5, true, 5, 'here 5 days'],
  ])('%i days, up %s of %s', (days, up, limit, text) => {
    expect(stood({ since: since(days), up }, limit)).toBe(text)
  })
})
