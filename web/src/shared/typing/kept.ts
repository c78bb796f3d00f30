import { computed, onScopeDispose, ref, watch } from 'vue'
import { present } from '../time/clock'

/**
 * What is typed is kept in this browser at once, by the place where it is typed, until it has been accepted or is
 * thrown away there. It outlives Esc, another view, signing out, a reload and a crash.
 */

const PREFIX = 'zippy-tray.typed/'
/** Days after which what nobody has come back to is forgotten. */
const DAYS = 90
/** Milliseconds for which another window counts as still being typed in. */
const BUSY = 15_000

interface Kept<T> {
  value: T
  /** Milliseconds since the epoch */
  at: number
  /** What was there when it was begun; a change is merged with what has become of that */
  base?: unknown
}

let typist = ''

/** Whose text it is: what one person has typed is not offered to another one in the same browser. */
export const setTypist = (email: string): void => {
  typist = email
}

/** This window, also after a reload. */
function ownWindow(): string {
  const KEY = 'zippy-tray.window'
  const known = sessionStorage.getItem(KEY)
  if (known) return known
  const made = Math.random().toString(36).slice(2)
  sessionStorage.setItem(KEY, made)
  return made
}

const keyOf = (place: string, window = ownWindow()) => `${PREFIX}${typist}/${place}#${window}`

function parsed<T>(key: string): Kept<T> | null {
  try {
    const found = JSON.parse(localStorage.getItem(key) ?? 'null') as Kept<T> | null
    return found && typeof found.at === 'number' ? found : null
  } catch {
    return null
  }
}

/** Where something is kept for a place: in this window, or in one in which nobody is typing now. */
function keyFor(place: string): string | null {
  const own = keyOf(place)
  if (parsed(own)) return own
  const others = Object.keys(localStorage)
    .filter((key) => key.startsWith(keyOf(place, '')))
    .map((key) => ({ key, at: parsed(key)?.at ?? 0 }))
    .filter(({ at }) => at > 0 && Math.abs(present().getTime() - at) > BUSY)
    .sort((a, b) => b.at - a.at)
  return others[0]?.key ?? null
}

export function peek<T>(place: string): Kept<T> | null {
  const key = keyFor(place)
  return key === null ? null : parsed<T>(key)
}

export function keep<T>(place: string, value: T, base?: unknown): void {
  const kept: Kept<T> = { value, at: present().getTime(), ...(base === undefined ? {} : { base }) }
  try {
    localStorage.setItem(keyOf(place), JSON.stringify(kept))
  } catch {
    // A full store: the fields on screen still hold it.
  }
}

/** It has been accepted, or is not wanted any more. */
export function drop(place: string): void {
  const key = keyFor(place)
  if (key !== null) localStorage.removeItem(key)
  localStorage.removeItem(keyOf(place))
}

/** The text of fields, without how it has been read. */
const wordsOf = (value: unknown): string =>
  JSON.stringify(value, (key, part: unknown) => (key === 'reading' ? undefined : part))

/**
 * Fields whose text is kept from the first letter on.
 *
 * @param place nothing is kept without one
 * @param fields as they begin; what was typed at this place before is put into them
 * @param base what was there when it was begun, for what changes something
 */
export function useTyped<T extends object>(place: string | undefined, fields: T, base?: unknown) {
  const initial = JSON.parse(JSON.stringify(fields)) as T
  const found = place === undefined ? null : peek<T>(place)
  const keptAt = ref(found ? new Date(found.at).toISOString() : '')
  if (found) Object.assign(fields, found.value)
  let isOver = false
  const isChanged = () => wordsOf(fields) !== wordsOf(initial)
  const stop = watch(
    () => wordsOf(fields),
    () => {
      if (place === undefined || isOver) return
      if (isChanged()) keep(place, fields, found?.base ?? base)
      else drop(place)
    },
    { flush: 'sync' },
  )
  onScopeDispose(stop)

  return {
    /** When what stands in the fields was typed; empty when it is not from before */
    keptAt: computed(() => keptAt.value),
    isChanged,
    /** Nothing of it is kept from now on, unless it is changed once more. */
    accept: (): void => {
      if (place !== undefined) drop(place)
      keptAt.value = ''
    },
    /** As it began. */
    anew: (): void => {
      Object.assign(fields, JSON.parse(JSON.stringify(initial)) as T)
      if (place !== undefined) drop(place)
      keptAt.value = ''
    },
    /** It was thrown away: what still changes on its way out does not come back. */
    end: (): void => {
      isOver = true
      if (place !== undefined) drop(place)
    },
  }
}

/** Once, when the page begins. */
export function forgetOld(now = present().getTime()): void {
  for (const key of Object.keys(localStorage)) {
    if (!key.startsWith(PREFIX)) continue
    if (now - (parsed(key)?.at ?? 0) > DAYS * 86_400_000) localStorage.removeItem(key)
  }
}
