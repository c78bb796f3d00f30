import { expect, test } from 'vitest'
import { readLines } from './sendFile'
import { note, readOf, type Upload } from './uploads'

const upload = (more: Partial<Upload> = {}): Upload => ({
  file: new File(['x'.repeat(1000)], 'old.mbox'),
  into: 'archive',
  state: 'sending',
  sent: 1,
  position: 0,
  new: 0,
  known: 0,
  refused: [],
  rate: 0,
  left: null,
  sentence: '',
  ...more,
})

test('what has come is told with how long the rest takes', () => {
  const one = upload()
  note(one, { position: 200, new: 10, known: 5, refused: [] }, { from: 0, read: 0, took: 1000 })
  expect([one.state, readOf(one), one.rate, one.left]).toEqual(['reading', 15, 15, 4000])
  note(one, { position: 500, new: 25, known: 0, refused: [] }, { from: 0, read: 0, took: 2000 })
  expect([readOf(one), one.rate, one.left]).toEqual([40, 20, 2000])
})

test('who goes on counts from there, and the message at which it was stopped once', () => {
  const one = upload({ position: 500, new: 40 })
  const turn = { from: 500, read: 40, took: 1000 }
  note(one, { position: 600, new: 9, known: 1, refused: [] }, turn)
  note(
    one,
    { position: 750, new: 4, known: 1, refused: [{ file: 'old.mbox', position: 700, error: '' }] },
    turn,
  )
  expect([one.new, one.known, one.refused.length, one.left]).toEqual([53, 1, 1, 1000])
})

test('lines are taken when they are whole, each once', () => {
  const lines = readLines()
  expect(lines('{"new":1}\n{"ne')).toEqual([{ new: 1 }])
  expect(lines('{"new":1}\n{"new":2}\n\n')).toEqual([{ new: 2 }])
  expect(lines('{"new":1}\n{"new":2}\n\n{"done":true}\n')).toEqual([{ done: true }])
})
