import { expect, test, vi } from 'vitest'
import { afterPress } from './press'

const pointer = (type: string) => window.dispatchEvent(new Event(type))

test('what would move the page waits for the click that is being made', () => {
  vi.useFakeTimers()
  const done: string[] = []
  afterPress(() => done.push('at once'))
  expect(done).toEqual(['at once'])
  for (const end of ['pointerup', 'pointercancel', 'dragend', 'blur']) {
    pointer('pointerdown')
    afterPress(() => done.push(end))
    expect(done).not.toContain(end)
    pointer(end)
    expect(done, 'not before the click').not.toContain(end)
    vi.runAllTimers()
    expect(done).toContain(end)
  }
  expect(done).toHaveLength(5)

  // A field that is left by the press is no end of it.
  const field = document.body.appendChild(document.createElement('input'))
  pointer('pointerdown')
  field.dispatchEvent(new Event('blur', { bubbles: true }))
  afterPress(() => done.push('field'))
  vi.advanceTimersByTime(100)
  expect(done).not.toContain('field')
  pointer('pointerup')
  vi.useRealTimers()
})

test('a release that nobody hears of does not hold the page up', () => {
  vi.useFakeTimers()
  const done: string[] = []
  pointer('pointerdown')
  afterPress(() => done.push('moved'))
  vi.advanceTimersByTime(1900)
  expect(done).toEqual([])
  vi.advanceTimersByTime(200)
  expect(done).toEqual(['moved'])
  afterPress(() => done.push('at once'))
  expect(done).toEqual(['moved', 'at once'])

  // Each press counts from itself.
  pointer('pointerdown')
  pointer('pointerup')
  vi.advanceTimersByTime(1500)
  pointer('pointerdown')
  afterPress(() => done.push('later'))
  vi.advanceTimersByTime(1000)
  expect(done).toEqual(['moved', 'at once'])
  pointer('pointerup')
  vi.runAllTimers()
  expect(done).toEqual(['moved', 'at once', 'later'])
  vi.useRealTimers()
})
