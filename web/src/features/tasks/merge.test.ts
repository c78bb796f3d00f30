import { describe, expect, test } from 'vitest'
import { written } from '@/shared/api/when'
import { emptyDraft, type TaskDraft } from './draft'
import { merged, same } from './merge'

const base = emptyDraft({
  title: 'Oil the lamp',
  notes: 'Before the inspection',
  due: { phrase: 'friday', reading: null },
  labels: ['lamp'],
  repeat: { phrase: 'every week', reading: null },
  repeatWas: 'every week',
})
const with_ = (more: Partial<TaskDraft>): TaskDraft => ({ ...base, ...more })
const phrase = (text: string) => ({ phrase: text, reading: null })

describe('two changes of one task', () => {
  const cases: [string, Partial<TaskDraft>, Partial<TaskDraft>, Partial<TaskDraft>, string[]][] = [
    ['neither', {}, {}, {}, []],
    ['mine alone', { title: 'Oil it' }, {}, { title: 'Oil it' }, []],
    ['theirs alone', {}, { title: 'Oil it' }, { title: 'Oil it' }, []],
    ['different fields', { title: 'A' }, { notes: 'B' }, { title: 'A', notes: 'B' }, []],
    ['the same in both', { title: 'A' }, { title: 'A' }, { title: 'A' }, []],
    ['the same field, each its own', { title: 'A' }, { title: 'B' }, { title: 'A' }, ['title']],
    [
      'one field asked, another taken',
      { title: 'A', due: phrase('monday') },
      { title: 'B', labels: ['x'] },
      { title: 'A', due: phrase('monday'), labels: ['x'] },
      ['title'],
    ],
    ['a list emptied by me', { labels: [] }, { notes: 'B' }, { labels: [], notes: 'B' }, []],
    [
      'a repeat goes with how it is counted',
      { fromCompletion: true },
      { title: 'B' },
      { title: 'B', fromCompletion: true },
      [],
    ],
    [
      'a repeat of mine against the counting of theirs is one question',
      { repeat: phrase('every month') },
      { fromCompletion: true },
      { repeat: phrase('every month'), fromCompletion: false },
      ['repeat'],
    ],
  ]
  test.each(cases)('%s', (_, mine, theirs, expected, asks) => {
    const found = merged(base, with_(mine), with_(theirs))
    expect(found.asks).toEqual(asks)
    expect(found.draft).toEqual(with_(expected))
  })

  test('how a phrase was read is no change of it', () => {
    const read = { phrase: 'friday', reading: { text: 'Fri 27 Nov' } as never }
    expect(same({ due: read }, { due: phrase('friday') })).toBe(true)
    expect(merged(base, with_({ due: read }), with_({ due: phrase('monday') })).draft.due.phrase).toBe(
      'monday',
    )
  })

  test('what both began with is never what is kept of a changed field', () => {
    const texts = ['Oil the lamp', 'A', 'B']
    for (const mine of texts)
      for (const theirs of texts) {
        const { draft, asks } = merged(base, with_({ title: mine }), with_({ title: theirs }))
        if (mine !== base.title || theirs !== base.title) expect(draft.title).not.toBe(base.title)
        expect(asks.length > 0).toBe(mine !== base.title && theirs !== base.title && mine !== theirs)
      }
  })

  test('nothing written is the same as nothing', () => {
    expect(same(written(null), written(null))).toBe(true)
  })
})
