import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope, nextTick, reactive, type EffectScope } from 'vue'
import { drop, forgetOld, keep, peek, setTypist, useTyped } from './kept'

const scopes: EffectScope[] = []

/** A form in a window, as long as it is open. */
function form(place: string | undefined, begins = '', base?: unknown) {
  const scope = effectScope()
  scopes.push(scope)
  const fields = reactive({ text: begins })
  const typed = scope.run(() => useTyped(place, fields, base))
  if (!typed) throw new Error('no scope')
  return { fields, typed, close: () => scope.stop() }
}

const inWindow = (name: string) => sessionStorage.setItem('zippy-tray.window', name)

beforeEach(() => {
  localStorage.clear()
  sessionStorage.clear()
  inWindow('one')
  setTypist('wren@ternpoint.example')
  vi.useFakeTimers({ now: Date.parse('2026-11-27T10:00:00Z'), toFake: ['Date'] })
})
afterEach(() => {
  for (const scope of scopes.splice(0)) scope.stop()
  vi.useRealTimers()
})

test('what is typed is there again, letter by letter, and is gone once it was accepted', async () => {
  const first = form('task')
  for (const text of ['O', 'Oi', 'Oil']) {
    first.fields.text = text
    expect(peek<{ text: string }>('task')?.value.text).toBe(text)
  }
  expect(first.typed.keptAt.value).toBe('')
  first.close()

  const second = form('task')
  expect(second.fields.text).toBe('Oil')
  expect(second.typed.keptAt.value).toBe('2026-11-27T10:00:00.000Z')
  second.typed.accept()
  await nextTick()
  expect(peek('task')).toBeNull()
  expect(form('task').fields.text).toBe('')
})

test('what is as it began is not kept, and what was thrown away does not come back', () => {
  const one = form('task', 'Oil')
  one.fields.text = 'Oil it'
  one.fields.text = 'Oil'
  expect(peek('task')).toBeNull()
  one.fields.text = 'Oil it'
  one.typed.anew()
  expect(one.fields.text).toBe('Oil')
  expect(peek('task')).toBeNull()
  one.fields.text = 'Oil all'
  one.typed.end()
  one.fields.text = 'Oil all of it'
  expect(peek('task')).toBeNull()
})

test('a change goes on from what it was begun with, not from what is there now', () => {
  const one = form('task/1', 'Oil', { revision: 1 })
  one.fields.text = 'Oil it'
  one.close()
  const later = form('task/1', 'Oil the lamp', { revision: 2 })
  expect(later.fields.text).toBe('Oil it')
  later.fields.text = 'Oil it now'
  expect(peek('task/1')?.base).toEqual({ revision: 1 })
})

test('places and persons are apart', () => {
  keep('note', 'hers')
  expect(peek('other')).toBeNull()
  expect(peek('not')).toBeNull()
  setTypist('oran@ternpoint.example')
  expect(peek('note')).toBeNull()
  setTypist('wren@ternpoint.example')
  expect(peek('note')?.value).toBe('hers')
})

test('another window takes over what nobody types in any more, and not what somebody does', () => {
  keep('note', 'begun there')
  inWindow('two')
  expect(peek('note')).toBeNull()
  vi.setSystemTime(Date.now() + 20_000)
  expect(peek('note')?.value).toBe('begun there')
  keep('note', 'gone on with here')
  expect(peek('note')?.value).toBe('gone on with here')
  drop('note')
  inWindow('one')
  expect(peek('note')?.value).toBe('begun there')
})

test('what cannot be read is nothing, and what nobody came back to is forgotten', () => {
  localStorage.setItem('zippy-tray.typed/wren@ternpoint.example/note#one', '{"value":')
  expect(peek('note')).toBeNull()
  localStorage.setItem('zippy-tray.grouping', 'age')
  keep('old', 'x')
  vi.setSystemTime(Date.now() + 91 * 86_400_000)
  keep('new', 'y')
  forgetOld()
  expect(peek('old')).toBeNull()
  expect(peek('new')?.value).toBe('y')
  expect(localStorage.getItem('zippy-tray.grouping')).toBe('age')
})

test('a full store does not stop anybody from typing', () => {
  vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  const one = form('task')
  expect(() => (one.fields.text = 'Oil')).not.toThrow()
})

test('without a place nothing is kept', () => {
  form(undefined).fields.text = 'Oil'
  expect(Object.keys(localStorage)).toEqual([])
})
