import { describe, expect, it } from 'vitest'
import type { Found } from '@/shared/api/client'
import { marksOf, pieces, type Mark } from './marks'

const mark = (from: number, to: number, kind: Mark['kind'] = 'request'): Mark => ({ kind, from, to })
const cut = (text: string, marks: Mark[], from = 0) =>
  pieces(text, from, marks).map((line) =>
    line.map((piece) => `${piece.text}${'*'.repeat(piece.marks.length)}`),
  )

describe('what was found in a message', () => {
  it('is marked, but for dates that are only spoken of', () => {
    const found = {
      requests: [{ from: 0, to: 4 }],
      dates: [
        { from: 5, to: 9, kind: 'deadline', date: '2026-11-27', time: '15:00' },
        { from: 10, to: 14, kind: 'appointment', date: '2026-11-28', time: null },
        { from: 15, to: 19, kind: 'mention', date: '2026-11-29', time: null },
      ],
      items: [{ from: 20, to: 24 }],
    } as unknown as Found
    expect(marksOf(found).map(({ kind, from, title }) => [kind, from, title])).toEqual([
      ['request', 0, 'It asks for something'],
      ['date', 5, 'A deadline: 2026-11-27, 15:00'],
      ['date', 10, 'An appointment: 2026-11-28'],
      ['item', 20, undefined],
    ])
    expect(marksOf(null)).toEqual([])
    expect(marksOf(undefined)).toEqual([])
  })
})

describe('a text in pieces', () => {
  it('is whole without marks, line by line', () => {
    expect(cut('one\n\ntwo', [])).toEqual([['one'], [], ['two']])
  })

  it('is cut where a mark begins and ends', () => {
    expect(cut('Send it now.', [mark(5, 7)])).toEqual([['Send ', 'it*', ' now.']])
    expect(cut('Send it', [mark(0, 7)])).toEqual([['Send it*']])
  })

  it('has a mark over several lines on each of them', () => {
    expect(cut('ab\ncd\nef', [mark(1, 7)])).toEqual([['a', 'b*'], ['cd*'], ['e*', 'f']])
  })

  it('has marks that overlap one in the other', () => {
    expect(cut('abcdef', [mark(0, 4), mark(2, 6, 'date')])).toEqual([['ab*', 'cd**', 'ef*']])
  })

  it('counts characters and not their halves', () => {
    expect(cut('😀😀ab', [mark(2, 3)])).toEqual([['😀😀', 'a*', 'b']])
  })

  it('begins where it stands in the message', () => {
    expect(cut('cd\nef', [mark(3, 4)], 2)).toEqual([['c', 'd*'], ['ef']])
    expect(cut('cd', [mark(0, 2)], 2)).toEqual([['cd']])
  })

  it('leads to addresses of the web and of people, without what only ends the sentence', () => {
    const found = pieces('See https://glass.example/a?b=1, or ask tam@glass.example.', 0, []).flat()
    expect(found.map(({ text, href }) => [text, href])).toEqual([
      ['See ', undefined],
      ['https://glass.example/a?b=1', 'https://glass.example/a?b=1'],
      [', or ask ', undefined],
      ['tam@glass.example', 'mailto:tam@glass.example'],
      ['.', undefined],
    ])
  })

  it('leads nowhere by other schemes', () => {
    expect(
      pieces('javascript:alert(1) data:text/html,x', 0, [])
        .flat()
        .some(({ href }) => href),
    ).toBe(false)
  })

  it('keeps the marks of a link', () => {
    const found = pieces('at https://glass.example', 0, [mark(0, 24)]).flat()
    expect(found.map(({ href, marks }) => [Boolean(href), marks.length])).toEqual([
      [false, 1],
      [true, 1],
    ])
  })

  it('is never changed', () => {
    const text = 'Dear Wren,\nsee http://x.example/ü and\n\n– thanks 😀 –\n'
    for (let from = 0; from < 40; ++from) {
      const again = pieces(text, 0, [mark(from, from + 7), mark(from + 3, from + 20, 'date')])
      expect(again.map((line) => line.map((piece) => piece.text).join('')).join('\n')).toBe(text)
    }
  })
})
