import { computed, onScopeDispose, shallowReactive } from 'vue'

export interface Binding {
  /** As on the key cap, with modifiers before it: "5", "Ctrl+z", "ArrowDown", "Shift+ArrowDown" */
  key: string
  /** What it does, in a few words */
  label: string
  run: (event: KeyboardEvent) => unknown
  /** When given and false, the key does nothing and is left to others */
  when?: () => boolean
}

interface Layer {
  title: string
  bindings: Binding[]
  /** While it is there, the layers below do not get any key */
  modal: boolean
}

/** The heading for keys that do the same in every view. */
export const EVERYWHERE = 'Everywhere'

const layers = shallowReactive<Layer[]>([])

/** What the key card shows, under one heading each: what belongs to the view first. */
export const keyCard = computed(() => {
  const found = new Map<string, Binding[]>()
  for (const { title, bindings } of [...layers].reverse()) {
    found.set(title, [...(found.get(title) ?? []), ...bindings.filter(({ when }) => !when || when())])
  }
  return [...found]
    .map(([title, bindings]) => ({ title, bindings }))
    .sort((a, b) => Number(a.title === EVERYWHERE) - Number(b.title === EVERYWHERE))
})

/** Makes keys work as long as the component is there. */
export function useKeys(title: string, bindings: Binding[], modal = false): void {
  const layer = { title, bindings, modal }
  layers.push(layer)
  onScopeDispose(() => {
    layers.splice(layers.indexOf(layer), 1)
  })
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
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target instanceof HTMLTextAreaElement ||
      target instanceof HTMLSelectElement ||
      (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'file'].includes(target.type)))
  )
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

function name(event: KeyboardEvent): string {
  const modifiers = [
    event.ctrlKey || event.metaKey ? 'Ctrl+' : '',
    event.altKey ? 'Alt+' : '',
    event.shiftKey && event.key.length > 1 ? 'Shift+' : '',
  ]
  return modifiers.join('') + (event.key.length === 1 ? event.key.toLowerCase() : event.key)
}

window.addEventListener('keydown', (event) => {
  if (event.defaultPrevented || event.isComposing || isTyping(event.target) || isOwnKey(event)) return
  const pressed = name(event)
  for (const layer of [...layers].reverse()) {
    const binding = layer.bindings.find(({ key, when }) => key === pressed && (!when || when()))
    if (binding) {
      event.preventDefault()
      binding.run(event)
      return
    }
    if (layer.modal) return
  }
})
