import { expect, test } from 'vitest'
import { isMadeFrom, known } from './shown'

const sources = import.meta.glob<string>('../../**/*.{ts,vue}', {
  query: '?raw',
  import: 'default',
  eager: true,
})

test('each query says what it is made from', () => {
  const names = new Set<string>()
  for (const source of Object.values(sources)) {
    for (const [, name] of source.matchAll(
      /(?:queryKey: (?:computed\(\(\) => )?|useParts\(\s*)\['([a-z-]+)'/g,
    ))
      names.add(name as string)
  }
  names.add('heartbeat')
  expect([...names].sort()).toEqual(known().sort())
})

test('a step asks again for what it touched, and for nothing else', () => {
  const asked = (...touched: Parameters<typeof isMadeFrom>[1] extends ReadonlySet<infer T> ? T[] : never) =>
    known().filter((name) => isMadeFrom([name], new Set(touched)))
  expect(asked('template')).toEqual([
    'clearing',
    'conversation',
    'find-things',
    'foreseen',
    'heartbeat',
    'journal',
    'list-history',
    'search-count',
    'templates',
  ])
  expect(asked('task')).not.toContain('tray')
  expect(asked('task')).toEqual(
    expect.arrayContaining(['tasks', 'task', 'lists', 'days', 'coming', 'heartbeat']),
  )
  expect(asked('conversation')).not.toContain('templates')
  expect(asked()).not.toContain('session')
  expect(asked().length).toBe(known().length - 1)
})
