import { expect, test } from 'vitest'
import { joined, type Stretch } from './coming'
import { row } from '@/shared/rows.fixture'

const stretch = (kind: Stretch['kind'], from: string, ids: string[]): Stretch => ({
  kind,
  from,
  to: from,
  hour: null,
  items: ids.map((id) => ({
    kind: 'mail',
    date: from,
    time: null,
    text: '',
    how: null,
    task: null,
    conversation: row({ id }),
    outgoing: null,
  })),
})
const seen = (line: ReturnType<typeof joined>) =>
  line.map(({ kind, from, rows }) => [kind, from, rows.map(({ conversation }) => conversation?.id).join('')])

test('a stretch that a part ends in goes on in the next', () => {
  const first = [stretch('day', '2026-12-01', ['a', 'b']), stretch('day', '2026-12-02', ['c'])]
  const second = [
    stretch('day', '2026-12-02', ['d']),
    stretch('gap', '2026-12-03', []),
    stretch('week', '2026-12-07', ['e']),
  ]
  expect(seen(joined([first, second]))).toEqual([
    ['day', '2026-12-01', 'ab'],
    ['day', '2026-12-02', 'cd'],
    ['gap', '2026-12-03', ''],
    ['week', '2026-12-07', 'e'],
  ])
})

test('what was moved between two parts stands once', () => {
  expect(
    seen(joined([[stretch('day', '2026-12-01', ['a', 'b'])], [stretch('day', '2026-12-01', ['b', 'c'])]])),
  ).toEqual([['day', '2026-12-01', 'abc']])
})
