import { useQueryClient, type QueryClient } from '@tanstack/vue-query'
import { useDebounceFn } from '@vueuse/core'
import type { Decided, Entry } from '../api/client'
import { noteOwn } from '../api/heartbeat'
import { Problem } from '../api/problem'
import { tell } from '../notice'
import { follow, remember } from '../trail'
import { useLeaving } from './leaving'
import { isMadeFrom } from './shown'

type Things = Entry['touched']

/** What was touched since it was asked for last; null when that cannot be said. */
let touched: Set<Things[number]> | null = new Set()

/** Who decides fast is not to be slowed down by asking after each step. */
const askSoon = useDebounceFn(
  (queries: QueryClient) => {
    const things = touched ?? new Set()
    touched = new Set()
    return queries.invalidateQueries({ predicate: ({ queryKey }) => isMadeFrom(queryKey, things) })
  },
  100,
  { maxWait: 1000 },
)

/** Has what is made of such things asked for again in a moment; without any, everything. */
export function useAskAgain() {
  const queries = useQueryClient()
  return (things: Things = []): Promise<void> => {
    if (things.length === 0) touched = null
    else if (touched) for (const thing of things) touched.add(thing)
    return askSoon(queries)
  }
}

/** What a step does with its answer. */
export interface Ground {
  /** Puts what was done on the trail, and has asked again for what it touched. */
  done: (entry: Entry) => Entry
  /** The same, and says what was left as it is, when something happened to it meanwhile. */
  decided: (decided: Decided) => Entry
  /** These conversations are off the list that is on screen. */
  left: (ids: string[]) => void
  /** Takes them off at once, and puts them back when the call fails. */
  leaving: <T>(ids: string[], call: () => Promise<T>) => Promise<T>
}

/**
 * Steps that change something. Each call gives the journal entry of what was done; while it is under way, undoing waits
 * for it.
 */
export function useSteps<Steps extends object>(make: (ground: Ground) => Steps): Steps {
  const queries = useQueryClient()
  const askAgain = useAskAgain()

  /** What was loaded of a conversation before it was decided, or undone, is no longer so. */
  const forget = (id?: string) =>
    queries.removeQueries({ queryKey: id ? ['conversation', id] : ['conversation'], type: 'inactive' })

  function done(entry: Entry): Entry {
    remember(entry)
    noteOwn(entry.number)
    if (entry.undoes) forget()
    void askAgain(entry.touched)
    return entry
  }

  function decided({ entry, overtaken }: Decided): Entry {
    const [first] = overtaken
    if (first) {
      const others = overtaken.length > 1 ? ` So it is with ${overtaken.length - 1} more.` : ''
      tell(new Problem(first.sentence + others, 409))
    }
    return done(entry)
  }

  const { left, leaving } = useLeaving(queries, forget, () => void askAgain())
  const followed = Object.entries(make({ done, decided, left, leaving })).map(([name, step]) => [
    name,
    (...args: unknown[]) => follow((step as (...of: unknown[]) => Promise<unknown>)(...args)),
  ])
  return Object.fromEntries(followed) as Steps
}
