/**
 * Keys that are pressed while what they are meant for is still opening: a letter that is asked for, a view that is
 * loaded. They are kept, do nothing else meanwhile, and go into the field that takes the focus.
 */

/** Milliseconds after which the keys are given free when nothing has opened. */
const LONGEST = 30_000

interface Held {
  keys: string[]
  timer: ReturnType<typeof setTimeout>
  /** What held keys count as opened by: the first field that takes the focus after this was asked for */
  from: Element | null
}

let held: Held | null = null

export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target instanceof HTMLTextAreaElement ||
      target instanceof HTMLSelectElement ||
      (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'file'].includes(target.type)))
  )
}

/** From now on every key waits for the field that is being opened; what waits already goes on waiting. */
export function holdKeys(): void {
  const keys = held?.keys ?? []
  freeKeys()
  held = { keys, timer: setTimeout(freeKeys, LONGEST), from: document.activeElement }
}

/**
 * Nothing opens after all.
 *
 * @return what was typed meanwhile
 */
export function freeKeys(): string {
  const keys = held?.keys ?? []
  clearTimeout(held?.timer)
  held = null
  return textOf(keys)
}

/** The text that keys make, one after the other. */
export function textOf(keys: string[]): string {
  return keys.reduce((text, key) => {
    if (key === 'Backspace') return text.slice(0, -1)
    if (key === 'Enter') return `${text}\n`
    return key.length === 1 ? text + key : text
  }, '')
}

/** Whether the key is to wait; what is not text, and no part of writing it, does nothing meanwhile. */
function hold(event: KeyboardEvent): boolean {
  if (!held) return false
  if (event.key === 'Escape') {
    freeKeys()
    return false
  }
  if (event.key.length > 1 && !['Backspace', 'Enter', 'Tab'].includes(event.key)) return true
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey
  if (isPlain) held.keys.push(event.key)
  else if (event.key === 'Enter') held.keys.push('Ctrl+Enter')
  return true
}

/** Whether the key ends what is typed into this field. */
const isLast = (key: string, field: HTMLElement): boolean =>
  key === 'Tab' || key === 'Ctrl+Enter' || (key === 'Enter' && field instanceof HTMLInputElement)

/** As if it were typed there now. */
function type(field: HTMLElement, keys: string[]): void {
  const end = keys.findIndex((key) => isLast(key, field))
  const text = textOf(end < 0 ? keys : keys.slice(0, end))
  if (text) document.execCommand('insertText', false, text)
  if (end < 0) return
  const rest = keys.slice(end + 1)
  if (keys[end] !== 'Tab') {
    const init = { key: 'Enter', ctrlKey: keys[end] === 'Ctrl+Enter', bubbles: true, cancelable: true }
    // When the page has heard of the text.
    setTimeout(() => field.dispatchEvent(new KeyboardEvent('keydown', init)))
    return
  }
  const next = fieldAfter(field)
  next?.focus()
  if (next && rest.length) type(next, rest)
}

function fieldAfter(field: HTMLElement): HTMLElement | undefined {
  const all = [...document.querySelectorAll<HTMLElement>('input, textarea, select')].filter(
    (one) => one.tabIndex >= 0 && one.offsetParent !== null,
  )
  return all[all.indexOf(field) + 1]
}

window.addEventListener(
  'keydown',
  (event) => {
    if (!event.isTrusted || !hold(event)) return
    event.preventDefault()
    event.stopImmediatePropagation()
  },
  { capture: true },
)
window.addEventListener('focusin', ({ target }) => {
  if (!held || target === held.from || !(target instanceof HTMLElement) || !isTyping(target)) return
  const field = target
  // What takes the focus may select its text, or set its place, in the same step.
  queueMicrotask(() => {
    if (!held) return
    const { keys } = held
    freeKeys()
    if (keys.length) type(field, keys)
  })
})
window.addEventListener('pointerdown', () => void freeKeys(), { capture: true })
