import { computed, inject, nextTick, onScopeDispose, provide, shallowReactive, toValue, watch } from 'vue'
import type { InjectionKey, MaybeRefOrGetter } from 'vue'
import { holdKeys, isTyping } from '../typing/held'

export interface Binding {
  /** As on the key cap, with modifiers before it: "5", "Ctrl+z", "ArrowDown", "Shift+ArrowDown" */
  key: string
  /** What it does, in a few words */
  label: string
  run: (event: KeyboardEvent) => unknown
  /** When given and false, the key does nothing and is left to others */
  when?: () => boolean
  /** It works while somebody types into a field, too */
  typing?: boolean
  /** It opens something to type into, which may take a moment: the next keys go there */
  opens?: boolean
}

/** Something that lies on top of the page: while it is open, only what is within it has keys. */
interface Cover {
  readonly bindings: Binding[]
  readonly close: () => void
}

interface Layer {
  title: string
  bindings: Binding[]
  /** The dialog or drop-down that it belongs to; null: the page */
  within: Cover | null
}

/** The heading for keys that do the same in every view. */
export const EVERYWHERE = 'Everywhere'

const layers = shallowReactive<Layer[]>([])
/** Those that are open, the topmost last. */
const covers = shallowReactive<Cover[]>([])
const WITHIN: InjectionKey<Cover> = Symbol('what keys belong to')

/** A key must not mean two things in one layer at the same time; the first would win, and nobody would know. */
function warnOfTwice(title: string, active: Binding[]): void {
  const twice = active.filter(({ key }, index) => active.findIndex((one) => one.key === key) !== index)
  for (const { key, label } of twice)
    console.error(
      `The key ${key} is bound twice in “${title}”: ${label}, and ${active.find((one) => one.key === key)?.label ?? ''}`,
    )
}

/** What the key card shows, under one heading each: what belongs to the view first. */
export const keyCard = computed(() => {
  for (const { title, bindings } of layers)
    warnOfTwice(
      title,
      bindings.filter(({ when }) => !when || when()),
    )
  const found = new Map<string, Binding[]>()
  for (const { title, bindings, within } of [...layers].reverse()) {
    if (within) continue
    found.set(title, [...(found.get(title) ?? []), ...bindings.filter(({ when }) => !when || when())])
  }
  return [...found]
    .map(([title, bindings]) => ({ title, bindings }))
    .sort((a, b) => Number(a.title === EVERYWHERE) - Number(b.title === EVERYWHERE))
})

/** Makes keys work as long as the component is there. */
export function useKeys(title: string, bindings: Binding[]): void {
  const layer = { title, bindings, within: inject(WITHIN, null) }
  layers.push(layer)
  onScopeDispose(() => {
    layers.splice(layers.indexOf(layer), 1)
  })
}

/**
 * Gives all keys to a dialog or a drop-down from the moment it opens, also before it is painted, and puts the focus
 * back where it was when it closes.
 *
 * @param close what Esc does
 * @param bindings its other keys; what lies within it can have more with useKeys()
 * @param content what it shows: it may fade for a while after it was closed, and has no focus any more by then
 */
export function useCover(
  open: MaybeRefOrGetter<boolean>,
  close: () => void,
  bindings: Binding[] = [],
  content: () => Element | undefined = () => undefined,
): void {
  const escape: Binding = { key: 'Escape', label: 'Close', typing: true, run: close }
  const cover: Cover = { bindings: [...bindings, escape], close }
  let before: Element | null = null
  const lift = () => {
    const at = covers.indexOf(cover)
    if (at >= 0) covers.splice(at, 1)
  }
  provide(WITHIN, cover)
  watch(
    () => toValue(open),
    (isOpen, wasOpen) => {
      lift()
      if (isOpen) {
        covers.push(cover)
        before = document.activeElement
      } else if (wasOpen) void nextTick(() => covers.includes(cover) || giveBack(before, content()))
    },
    { immediate: true, flush: 'sync' },
  )
  onScopeDispose(() => {
    const wasOpen = covers.includes(cover)
    lift()
    if (wasOpen) void nextTick(() => giveBack(before))
  })
}

/**
 * Closes the dialog or drop-down that lies on top.
 *
 * @return whether there was one
 */
export function closeTopmost(): boolean {
  const cover = covers.at(-1)
  cover?.close()
  return cover !== undefined
}

/** Whether the drop-down of the field was open when the key was pressed; it may be closed before anybody else hears of it. */
let isUnfolded = false
window.addEventListener(
  'keydown',
  ({ target }) => {
    isUnfolded =
      target instanceof HTMLElement && target.closest('[role="combobox"][aria-expanded="true"]') !== null
  },
  { capture: true },
)

/** What Esc does in a form: the drop-down of a field that is open closes, and nothing else. */
export function escape(event: KeyboardEvent, close: () => void): void {
  event.stopPropagation()
  if (event.defaultPrevented || isUnfolded) return
  event.preventDefault()
  close()
}

/** Unless somebody has put it elsewhere by then. */
function giveBack(before: Element | null, closed?: Element): void {
  const now = document.activeElement
  const isLeft = closed?.contains(now) === true
  if (isLeft && now instanceof HTMLElement) now.blur()
  const isLost = isLeft || !now || now === document.body || now.closest('[inert]')
  if (isLost && before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true })
}

/** How a key is written on a card. */
export function cap(key: string): string {
  return key
    .replace('ArrowUp', '↑')
    .replace('ArrowDown', '↓')
    .replace('ArrowLeft', '←')
    .replace('ArrowRight', '→')
    .replace('Escape', 'Esc')
    .replace(/^ $/, 'Space')
    .replace(/^Ctrl\+([a-z])$/, (_, letter: string) => `Ctrl+${letter.toUpperCase()}`)
    .replace('Ctrl+ ', 'Ctrl+Space')
    .replace(/^Shift\+(\d)$/, '⇧$1')
}

/** Buttons and links have keys of their own. */
function isOwnKey(event: KeyboardEvent): boolean {
  const owners = {
    Enter: 'button, a[href], summary, [role=menuitem], [role=option]',
    ' ': 'button, input, summary',
  }
  const owner = owners[event.key as keyof typeof owners]
  return (
    owner !== undefined &&
    !(event.ctrlKey || event.metaKey || event.altKey) &&
    event.target instanceof HTMLElement &&
    event.target.closest(owner) !== null
  )
}

/**
 * What was pressed, by its names: a digit with Shift goes by its place on the keyboard first, since what it writes is
 * another sign on each.
 */
function namesOf(event: KeyboardEvent): string[] {
  const digit = /^(?:Digit|Numpad)([1-9])$/.exec(event.code)?.[1]
  const isShifted = digit !== undefined && event.shiftKey && !(event.ctrlKey || event.metaKey || event.altKey)
  return isShifted ? [`Shift+${digit}`, name(event)] : [name(event)]
}

function name(event: KeyboardEvent): string {
  const modifiers = [
    event.ctrlKey || event.metaKey ? 'Ctrl+' : '',
    event.altKey ? 'Alt+' : '',
    event.shiftKey && event.key.length > 1 ? 'Shift+' : '',
  ]
  return modifiers.join('') + (event.key.length === 1 ? event.key.toLowerCase() : event.key)
}

window.addEventListener('keydown', (event) => {
  if (event.defaultPrevented || event.isComposing) return
  const pressed = namesOf(event)
  if (pressed.includes('Escape') && isUnfolded) return
  const typing = isTyping(event.target)
  if (!typing && isOwnKey(event)) return
  const cover = covers.at(-1)
  const own = [...layers].reverse().filter(({ within }) => within === (cover ?? null))
  const bindings = (cover ? [...own, cover] : own).flatMap((layer) => layer.bindings)
  const works = (one: Binding) => (!typing || one.typing) && (!one.when || one.when())
  for (const key of pressed) {
    const binding = bindings.find((one) => one.key === key && works(one))
    if (binding) {
      event.preventDefault()
      if (binding.opens) holdKeys()
      binding.run(event)
      return
    }
  }
})
