import { computed, nextTick, ref, watch, type Ref } from 'vue'

/** One row is the current one, and any number are selected, in a list that changes underneath. */
export function useSelection<T extends { id: string }>(
  rows: Ref<T[]>,
  /** The attribute by which the element of a row that takes the focus is found */
  mark = 'data-conversation',
) {
  const current = ref(-1)
  const selected = ref(new Set<string>())

  watch(rows, (now) => {
    const there = new Set(now.map(({ id }) => id))
    selected.value = new Set([...selected.value].filter((id) => there.has(id)))
    current.value = Math.min(current.value, now.length - 1)
  })

  async function goTo(index: number): Promise<void> {
    if (!rows.value.length) return
    current.value = Math.max(0, Math.min(rows.value.length - 1, index))
    await nextTick()
    const id = rows.value[current.value]?.id
    const link = document.querySelector<HTMLElement>(`[${mark}="${id}"]`)
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

  return {
    current,
    selected,
    goTo,
    toggle,
    clicked,
    select,
    clear: () => (selected.value = new Set()),
    toggleCurrent: () => {
      const row = rows.value[current.value]
      if (row) toggle(row.id)
    },
    extend: async (by: number) => {
      const from = rows.value[current.value]
      await goTo(current.value + by)
      const to = rows.value[current.value]
      select([from, to].flatMap((row) => row?.id ?? []))
    },
    /** What a decision is for: the selected ones, or the current one. */
    meant: computed<T[]>(() => {
      const chosen = rows.value.filter(({ id }) => selected.value.has(id))
      const row = rows.value[current.value]
      return chosen.length || !row ? chosen : [row]
    }),
  }
}
