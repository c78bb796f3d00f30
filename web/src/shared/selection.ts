import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch, type Ref } from 'vue'
import { cameBack } from './steps/leaving'
import type { Binding } from './keys/registry'
import { tell } from './notice'

/** Whether nothing has the focus. */
const isLost = () => !document.activeElement || document.activeElement === document.body

/** On which row each list stood when it was left, and where that was. */
const stood = new Map<string, { id: string; index: number }>()

/**
 * One row is the current one, and any number are selected, in a list that changes underneath: the current one stays
 * the same row wherever it goes, and when it leaves, its neighbour takes its place and its focus.
 */
export function useSelection<T extends { id: string }>(
  rows: Ref<T[]>,
  /** The attribute by which the element of a row that takes the focus is found */
  mark = 'data-conversation',
  /** Under which name the list remembers on which row it stood; without one it does not */
  remembered = '',
  /** Has all rows of a list that comes in parts */
  whole?: () => Promise<void>,
) {
  const current = ref(-1)
  const selected = ref(new Set<string>())
  const currentId = computed(() => rows.value[current.value]?.id)
  const isOnRow = () => document.activeElement?.closest(`[${mark}]`) != null

  /** What was selected and has left; it is selected again when it comes back because it was not accepted. */
  const left = new Set<string>()
  watch(cameBack, (ids) => void nextTick(() => select(ids.filter((id) => left.delete(id)))))

  watch(
    rows,
    (now, before) => {
      const there = new Set(now.map(({ id }) => id))
      for (const id of selected.value) if (!there.has(id)) left.add(id)
      selected.value = new Set([...selected.value].filter((id) => there.has(id)))
      const id = before[current.value]?.id
      const index = id === undefined ? -1 : now.findIndex((row) => row.id === id)
      current.value = index >= 0 ? index : Math.min(current.value, now.length - 1)
      // The element of a row that leaves takes the focus with it.
      if (isOnRow() && now.length) void nextTick(() => void (isLost() && goTo(current.value)))
    },
    { flush: 'pre' },
  )

  if (remembered) {
    const before = stood.get(remembered)
    const comeBack = (now: T[]) => {
      if (!before || !now.length) return false
      const index = now.findIndex(({ id }) => id === before.id)
      if (isLost()) void goTo(index >= 0 ? index : before.index)
      return true
    }
    onMounted(() => {
      if (comeBack(rows.value)) return
      const stop = watch(rows, (now) => comeBack(now) && stop(), { flush: 'post' })
    })
    onBeforeUnmount(() => {
      if (currentId.value) stood.set(remembered, { id: currentId.value, index: current.value })
      else stood.delete(remembered)
    })
  }

  async function goTo(index: number): Promise<void> {
    if (!rows.value.length) return
    current.value = Math.max(0, Math.min(rows.value.length - 1, index))
    await nextTick()
    const link = document.querySelector<HTMLElement>(`[${mark}="${currentId.value}"]`)
    link?.focus({ preventScroll: true })
    link?.scrollIntoView({ block: 'nearest' })
  }

  function toggle(id: string): void {
    const next = new Set(selected.value)
    if (!next.delete(id)) next.add(id)
    selected.value = next
  }

  /** From the current row to the clicked one, as everywhere with Shift held. */
  function clicked(index: number, range: boolean): void {
    const row = rows.value[index]
    if (!row) return
    if (range && current.value >= 0) {
      const [from, to] = [Math.min(current.value, index), Math.max(current.value, index)]
      select(rows.value.slice(from, to + 1).map(({ id }) => id))
    } else {
      toggle(row.id)
    }
    current.value = index
  }

  function select(ids: string[]): void {
    selected.value = new Set([...selected.value, ...ids])
  }

  /** The keys that every list has. */
  const moving: Binding[] = [
    { key: 'ArrowDown', label: 'Next row', run: () => void goTo(current.value + 1) },
    { key: 'ArrowUp', label: 'Previous row', run: () => void goTo(current.value - 1) },
    { key: 'Home', label: 'First row', run: () => void goTo(0) },
    { key: 'End', label: 'Last row', run: () => void toLast() },
  ]
  /** Those of a list of which several rows can be selected. */
  const selecting: Binding[] = [
    { key: 'Ctrl+ ', label: 'Select the row, or not', run: () => toggleCurrent() },
    { key: 'Shift+ArrowDown', label: 'Select downwards', run: () => void extend(1) },
    { key: 'Shift+ArrowUp', label: 'Select upwards', run: () => void extend(-1) },
    { key: 'Ctrl+a', label: 'Select all', run: () => void selectAll() },
    { key: 'Escape', label: 'Select none', when: () => selected.value.size > 0, run: () => void clear() },
  ]

  /** What could not be had is said, and what is there has to do. */
  async function toLast(): Promise<void> {
    if (whole) await whole().catch(tell)
    await goTo(rows.value.length - 1)
  }
  async function selectAll(): Promise<void> {
    if (whole) await whole().catch(tell)
    select(rows.value.map(({ id }) => id))
  }
  const clear = () => (selected.value = new Set())
  function toggleCurrent(): void {
    if (currentId.value) toggle(currentId.value)
  }
  async function extend(by: number): Promise<void> {
    const from = rows.value[current.value]
    await goTo(current.value + by)
    const to = rows.value[current.value]
    select([from, to].flatMap((row) => row?.id ?? []))
  }

  return {
    current,
    currentId,
    moving,
    selecting,
    selected,
    goTo,
    toggle,
    clicked,
    select,
    clear,
    toggleCurrent,
    extend,
    /** What a decision is for: the selected ones, or the current one. */
    meant: computed<T[]>(() => {
      const chosen = rows.value.filter(({ id }) => selected.value.has(id))
      const row = rows.value[current.value]
      return chosen.length || !row ? chosen : [row]
    }),
  }
}
