import { onBeforeUnmount, ref, watch, computed, type Ref } from 'vue'
import { attempt } from '@/shared/notice'
import type { Spot, Thing } from './things'

/** Milliseconds after which what is moved key by key is moved. */
const PAUSE = 450

/**
 * What is moved lies where it is put at once, and is sent when the hand rests: one step for a whole row of keys. It goes
 * back to where it lay when it was not accepted.
 */
export function useMoves(things: Ref<Thing[]>, send: (thing: Thing, to: Spot) => Promise<unknown>) {
  const moved = ref(new Map<string, Spot>())
  /** Those that were accepted stay until the days have been asked for again. */
  const accepted = new Set<string>()
  const timers = new Map<string, ReturnType<typeof setTimeout>>()
  const waiting = new Map<string, () => Promise<unknown>>()

  const laid = computed(() =>
    things.value.map((thing) => {
      const to = moved.value.get(thing.ref)
      return to
        ? {
            ...thing,
            ...to,
            days: to.time === null ? Math.max(thing.kind === 'event' ? 1 : 0, thing.days) : 0,
          }
        : thing
    }),
  )
  watch(things, () => {
    for (const name of accepted) if (!timers.has(name)) moved.value.delete(name)
    accepted.clear()
  })

  async function go(thing: Thing, to: Spot): Promise<boolean> {
    timers.delete(thing.ref)
    const well = await attempt(() => send(thing, to))
    if (well) accepted.add(thing.ref)
    else if (!timers.has(thing.ref)) moved.value.delete(thing.ref)
    return well
  }

  /** There now; sent when no other key follows. */
  function nudge(thing: Thing, to: Spot): void {
    moved.value.set(thing.ref, to)
    accepted.delete(thing.ref)
    clearTimeout(timers.get(thing.ref))
    waiting.set(thing.ref, () => go(thing, to))
    timers.set(
      thing.ref,
      setTimeout(() => void flush(), PAUSE),
    )
  }
  /** Sends what waits. */
  async function flush(): Promise<void> {
    for (const timer of timers.values()) clearTimeout(timer)
    const all = [...waiting.values()]
    waiting.clear()
    await Promise.all(all.map((one) => one()))
  }
  onBeforeUnmount(() => void flush())

  async function put(thing: Thing, to: Spot): Promise<boolean> {
    moved.value.set(thing.ref, to)
    return go(thing, to)
  }

  /** Where it would be, while a hand has hold of it. */
  const hold = (thing: Thing, to: Spot): void => void moved.value.set(thing.ref, to)

  return { laid, nudge, put, hold, flush }
}
