import { expect, test } from 'vitest'
import { matching, type Going } from './go'

const going = (text: string, kind = 'view'): Going => ({ id: text, kind, text, run: () => undefined })
const all = [
  going('Tray'),
  going('Tasks'),
  going('Coming back'),
  going('Roof', 'list'),
  going('Roof: stages', 'list'),
  going('Café orders', 'list'),
  going('Write a task down', 'command'),
  going('Archive', 'command'),
]
const found = (line: string) => matching(all, line).map(({ text }) => text)

test.each([
  ['ta', ['Tasks', 'Write a task down']],
  ['tr', ['Tray']],
  ['back', ['Coming back']],
  ['back com', ['Coming back']],
  ['roof', ['Roof', 'Roof: stages']],
  ['stages roof', ['Roof: stages']],
  ['cafe', ['Café orders']],
  ['roof list', ['Roof', 'Roof: stages']],
  ['ARCH', ['Archive']],
])('%s names %j', (line, names) => {
  expect(found(line)).toEqual(names)
})

test.each(['', 't', '  ', '--', 'Order brass polish', 'archive; friday', 'tray is empty', 'task for Petra'])(
  '“%s” is a task and nothing else',
  (line) => {
    expect(found(line)).toEqual([])
  },
)
