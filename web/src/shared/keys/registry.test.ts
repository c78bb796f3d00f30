import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { createApp, defineComponent, h, nextTick, ref, type App } from 'vue'
import { cap, closeTopmost, keyCard, useCover, useKeys, type Binding } from './registry'

const apps: App[] = []
let done: string[] = []
beforeEach(() => (done = []))
afterEach(() => {
  for (const app of apps.splice(0)) app.unmount()
  document.body.innerHTML = ''
})

function mount(setup: () => unknown) {
  const component = defineComponent({ setup: () => (setup(), () => h('input')) })
  const app = createApp(component)
  app.mount(document.body.appendChild(document.createElement('div')))
  apps.push(app)
  return app
}

const does = (key: string, what = key, more: Partial<Binding> = {}): Binding => ({
  key,
  label: what,
  run: () => done.push(what),
  ...more,
})

function press(key: string, target: EventTarget = document.body, more: KeyboardEventInit = {}): void {
  target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }))
}

test('the newest layer answers first, and what it has no use for goes on', () => {
  mount(() => useKeys('view', [does('5', 'view 5'), does('6', 'view 6')]))
  mount(() => useKeys('sheet', [does('5', 'sheet 5'), does('6', 'never', { when: () => false })]))
  press('5')
  press('6')
  press('7')
  expect(done).toEqual(['sheet 5', 'view 6'])
})

test('while something covers the page, only its own keys work, from the moment it opens', async () => {
  mount(() => useKeys('view', [does('5'), does('Escape')]))
  const open = ref(false)
  mount(() => useCover(open, () => done.push('closed'), [does('Enter', 'main')]))
  press('5')
  open.value = true
  press('5')
  press('Enter')
  press('Escape')
  expect(done).toEqual(['5', 'main', 'closed'])
  open.value = false
  await nextTick()
  press('5')
  expect(done.at(-1)).toBe('5')
})

test('of two covers the upper one has the keys, alone', () => {
  const [lower, upper] = [ref(true), ref(true)]
  mount(() => useCover(lower, () => done.push('lower')))
  mount(() => useCover(upper, () => done.push('upper')))
  press('Escape')
  upper.value = false
  press('Escape')
  expect(done).toEqual(['upper', 'lower'])
})

test('going back closes what lies on top, and then nothing', () => {
  const [lower, upper] = [ref(true), ref(true)]
  mount(() => useCover(lower, () => (lower.value = false)))
  mount(() => useCover(upper, () => (upper.value = false)))
  expect([closeTopmost(), lower.value, upper.value]).toEqual([true, true, false])
  expect([closeTopmost(), lower.value]).toEqual([true, false])
  expect(closeTopmost()).toBe(false)
})

test('the focus goes back to where it was, unless somebody has moved it', async () => {
  const [field, other] = [document.createElement('input'), document.createElement('input')]
  document.body.append(field, other)
  const open = ref(false)
  mount(() => useCover(open, () => undefined))
  for (const [moved, expected] of [
    [false, field],
    [true, other],
  ] as const) {
    field.focus()
    open.value = true
    field.blur()
    open.value = false
    if (moved) other.focus()
    await nextTick()
    expect(document.activeElement).toBe(expected)
  }
})

test('a dialog that fades has the focus no more', async () => {
  const dialog = document.body.appendChild(document.createElement('div'))
  const inner = dialog.appendChild(document.createElement('input'))
  const open = ref(false)
  mount(() =>
    useCover(
      open,
      () => undefined,
      [],
      () => dialog,
    ),
  )
  open.value = true
  inner.focus()
  open.value = false
  await nextTick()
  expect(document.activeElement).toBe(document.body)
})

test('in a field only what is meant for typing works, and nothing while a word is being composed', () => {
  mount(() => useKeys('view', [does('5'), does('Ctrl+Enter', 'send', { typing: true })]))
  const field = document.body.appendChild(document.createElement('textarea'))
  press('5', field)
  press('Enter', field, { ctrlKey: true })
  press('Enter', field, { ctrlKey: true, isComposing: true })
  expect(done).toEqual(['send'])
})

test('buttons and links keep the keys that are their own', () => {
  mount(() => useKeys('view', [does('Enter'), does(' ', 'space'), does('Ctrl+Enter', 'send')]))
  document.body.insertAdjacentHTML('beforeend', '<button>B</button><a href="#">A</a>')
  const [button, link] = [document.querySelector('button'), document.querySelector('a')]
  if (!button || !link) throw new Error('not there')
  press('Enter', button)
  press(' ', button)
  press('Enter', link)
  expect(done).toEqual([])
  press(' ', link)
  press('Enter', button, { ctrlKey: true })
  expect(done).toEqual(['space', 'send'])
})

test('a key that is bound twice in one layer is complained about', () => {
  const complaint = vi.spyOn(console, 'error').mockReturnValue()
  const both = ref(false)
  mount(() => useKeys('view', [does('5', 'archive'), does('5', 'delete', { when: () => both.value })]))
  expect(keyCard.value).toHaveLength(1)
  expect(complaint).not.toHaveBeenCalled()
  both.value = true
  void keyCard.value
  expect(complaint).toHaveBeenCalledWith(expect.stringContaining('The key 5 is bound twice in “view”'))
})

test.each([
  ['ArrowUp', '↑'],
  ['Ctrl+z', 'Ctrl+Z'],
  [' ', 'Space'],
  ['Ctrl+ ', 'Ctrl+Space'],
  ['Shift+ArrowDown', 'Shift+↓'],
  ['5', '5'],
])('%s is written %s', (key, text) => expect(cap(key)).toBe(text))
