import { expect, test, vi } from 'vitest'
import { afterPress } from './press'

const pointer = (type: string) => window.dispatchEvent(new Event(type))

test('what would move the page waits for the click that is being made', () => {
  vi.useFakeTimers()
  const done: string[] = []
  afterPress(() => done.push('at once'))
  expect(done).toEqual(['at once'])
  for (const end of ['pointerup', 'pointercancel', 'dragend']) {
    pointer('pointerdown')
    afterPress(() => done.push(end))
    expect(done).not.toContain(end)
    pointer(end)
    expect(done, 'not before the click').not.toContain(end)
    vi.runAllTimers()
    expect(done).toContain(end)
  }
  expect(done).toHaveLength(4)
  vi.useRealTimers()
})
