import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { ClearingOrder, ConversationRow } from '@/shared/api/client'

/**
 * The pile of conversations that is gone through, in the order in which the tray gives them. It begins as the tray was;
 * what is decided leaves it at once, what is undone comes back on top, what returns meanwhile comes next, and what
 * arrives goes to its end.
 */
export function usePile(tray: Ref<ConversationRow[] | undefined>, order: Ref<ClearingOrder>) {
  const pile = shallowRef<ConversationRow[]>([])
  const at = ref(0)
  const isReady = ref(false)
  /** What was taken off, with the revision that it had: the tray may still be seen as it was before. */
  const taken = new Map<string, number>()
  const seen = new Set<string>()
  /** The order was changed, and what is there in the new one has not come yet. */
  const isToBeOrdered = ref(false)
  /** What lay behind each one that was taken off. */
  const behind = new Map<string, Set<string>>()

  /** What was taken off together with another one. */
  const along = new Map<string, ConversationRow[]>()

  const isNews = ({ id, revision }: ConversationRow) => revision > (taken.get(id) ?? -1)

  function sync(rows: ConversationRow[]): void {
    const now = new Map(rows.filter(isNews).map((row) => [row.id, row]))
    if (!isReady.value) {
      pile.value = [...now.values()]
      isReady.value = true
    } else if (isToBeOrdered.value) {
      const current = now.get(pile.value[at.value]?.id ?? '')
      const rest = [...now.values()].filter((row) => row !== current)
      pile.value = current ? [current, ...rest] : rest
      at.value = 0
      isToBeOrdered.value = false
    } else {
      const current = pile.value[at.value]?.id
      const kept = pile.value.flatMap(({ id }) => now.get(id) ?? [])
      const there = new Set(kept.map(({ id }) => id))
      const others = [...now.values()].filter(({ id }) => !there.has(id))
      const back = others.filter(({ id }) => seen.has(id))
      const fresh = others.filter(({ id }) => !seen.has(id))
      const index = kept.findIndex(({ id }) => id === current)
      const place = index < 0 ? Math.min(at.value, kept.length) : index
      // What has come back meanwhile comes next, and what is new at the end.
      pile.value = [
        ...kept.slice(0, place),
        ...back,
        ...kept.slice(place, place + 1),
        ...fresh.filter(({ returned }) => returned),
        ...kept.slice(place + 1),
        ...fresh.filter(({ returned }) => !returned),
      ]
      at.value = Math.min(place, pile.value.length)
    }
    for (const { id } of pile.value) seen.add(id)
    for (const { id } of back(rows)) taken.delete(id)
  }
  const back = (rows: ConversationRow[]) => rows.filter((row) => taken.has(row.id) && isNews(row))

  // Before what comes in the new order.
  watch(order, () => (isToBeOrdered.value = true), { flush: 'sync' })
  watch(tray, (rows) => rows && sync(rows), { immediate: true })

  return {
    pile: computed(() => pile.value),
    at: computed(() => at.value),
    isReady: computed(() => isReady.value),
    isOrdered: computed(() => !isToBeOrdered.value),
    current: computed<ConversationRow | undefined>(() => pile.value[at.value]),
    /** What may be shown next, nearest first. */
    ahead: computed(() => pile.value.slice(at.value + 1, at.value + 7)),
    /** @param others what goes with it */
    take(others: (row: ConversationRow) => boolean = () => false): void {
      const row = pile.value[at.value]
      if (!row) return
      const gone = pile.value.filter((one) => one === row || others(one))
      pile.value.forEach(({ id }, index) => {
        if (gone.some((one) => one.id === id))
          behind.set(id, new Set(pile.value.slice(index + 1).map((one) => one.id)))
      })
      for (const { id, revision } of gone) taken.set(id, revision)
      along.set(
        row.id,
        gone.filter((one) => one !== row),
      )
      at.value -= pile.value.slice(0, at.value).filter((one) => gone.includes(one)).length
      pile.value = pile.value.filter((one) => !gone.includes(one))
    },
    /** It is accepted: of what went with it, the tray says from now on whether it has gone. */
    settle(rows: ConversationRow[]): void {
      for (const { id } of rows) {
        for (const one of along.get(id) ?? []) taken.delete(one.id)
        along.delete(id)
      }
    },
    /** A decision did not work: the conversation lies in its place again. The one that is being looked at stays on top. */
    putBack(rows: ConversationRow[]): void {
      const current = pile.value[at.value]?.id
      for (const row of rows.flatMap((one) => [...(along.get(one.id) ?? []).toReversed(), one])) {
        along.delete(row.id)
        taken.delete(row.id)
        if (pile.value.some(({ id }) => id === row.id)) continue
        const next = pile.value.findIndex(({ id }) => behind.get(row.id)?.has(id))
        pile.value = pile.value.toSpliced(next < 0 ? pile.value.length : next, 0, row)
      }
      const index = pile.value.findIndex(({ id }) => id === (current ?? rows[0]?.id))
      if (index >= 0) at.value = index
    },
    step(by: number): void {
      at.value = Math.max(0, Math.min(pile.value.length, at.value + by))
    },
    again(): void {
      at.value = 0
    },
  }
}
