import { useQueryClient, type QueryClient } from '@tanstack/vue-query'
import { useDebounceFn } from '@vueuse/core'
import { tell } from '../notice'
import { follow, remember } from '../trail'
import { noteOwn } from './heartbeat'
import { useLeaving } from './leaving'
import { mailSteps } from './mailing'
import { Problem } from './problem'
import {
  answer,
  api,
  newId,
  type Claim,
  type Decided,
  type Decision,
  type Entry,
  type ListColour,
  type Outline,
  type Priority,
  type PutOff,
  type TaskFields,
  type When,
} from './client'

export type DecisionKind = Decision['kind']

/** What a decision of that kind needs besides. */
type Needs<Kind extends DecisionKind, Of = Decision> = Of extends { kind: infer Kinds }
  ? Kind extends Kinds
    ? Omit<Of, 'id' | 'kind' | 'conversations'>
    : never
  : never
export type DecisionDetails = Needs<DecisionKind>
export type SnoozeFor = NonNullable<Needs<'snooze'>['for']>

/** What a new task comes from: a message, the newest message of a conversation, or nothing. */
export interface NewTask {
  fields: TaskFields
  message?: string
  conversation?: Claim
  parent?: string
  subtasks?: Outline[]
  /** The title is a jotted line */
  jotted?: boolean
  done?: boolean
}

/** What is changed of one task or of several alike. */
export interface TaskChange {
  due?: When
  undated?: boolean
  start?: When
  list?: string
  priority?: Priority
  label?: string
  unlabel?: string
}

/** Where tasks are moved to: behind a task, under one, or to a list. */
export interface Spot {
  behind?: string
  parent?: string
  list?: string
  first?: boolean
}

/** The conversation as it is on screen, so that the server notices when it is no longer so. */
export const claimOf = ({ id, revision }: { id: string; revision: number }): Claim => ({ id, revision })

/** Who decides fast is not to be slowed down by asking for everything after each step. */
const askAgainSoon = useDebounceFn(
  (queries: QueryClient) =>
    queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  100,
  { maxWait: 1000 },
)

/**
 * All that changes something. Each call gives the journal entry of what was done, puts it on the
 * trail, and has everything on screen asked for again.
 */
export function useDeciding() {
  const queries = useQueryClient()

  const askAgain = () => askAgainSoon(queries)

  /** What was loaded of a conversation before it was decided, or undone, is no longer so. */
  const forget = (id?: string) =>
    queries.removeQueries({ queryKey: id ? ['conversation', id] : ['conversation'], type: 'inactive' })

  function done(entry: Entry): Entry {
    remember(entry)
    noteOwn(entry.number)
    if (entry.undoes) forget()
    void askAgain()
    return entry
  }

  /** Says what was left as it is, when something happened to it meanwhile. */
  function decided({ entry, overtaken }: Decided): Entry {
    const [first] = overtaken
    if (first) {
      const others = overtaken.length > 1 ? ` So it is with ${overtaken.length - 1} more.` : ''
      tell(new Problem(first.sentence + others, 409))
    }
    return done(entry)
  }

  const { left, leaving } = useLeaving(queries, forget, () => void askAgain())

  const steps = {
    decide: async <Kind extends DecisionKind>(
      kind: Kind,
      claims: Claim[],
      ...[details]: object extends Needs<Kind> ? [Needs<Kind>?] : [Needs<Kind>]
    ) => {
      const body = { id: newId(), kind, conversations: claims, ...details } as Decision
      const ids = claims.map(({ id }) => id)
      return decided(await leaving(ids, () => answer(api.POST('/decisions', { body }))))
    },
    makeTasks: async (tasks: NewTask[], clearing?: string) => {
      const body = {
        entry: newId(),
        tasks: tasks.map((task) => ({ id: newId(), ...task })),
        ...(clearing ? { clearing } : {}),
      }
      const ids = tasks.flatMap((task) => task.conversation?.id ?? [])
      return decided(await leaving(ids, () => answer(api.POST('/tasks', { body }))))
    },
    unblock: async (sender: string, bringBack: boolean) =>
      done(
        await answer(
          api.DELETE('/blocked/{id}', {
            params: { path: { id: sender }, query: { entry: newId(), bringBack } },
          }),
        ),
      ),
    editTask: async (id: string, revision: number, fields: TaskFields) =>
      done(
        await answer(
          api.PUT('/tasks/{id}', { params: { path: { id } }, body: { entry: newId(), revision, fields } }),
        ),
      ),
    setTasksDone: async (tasks: string[], isDone: boolean, withSubtasks = false) =>
      done(
        await answer(
          api.PUT('/tasks/state', { body: { entry: newId(), tasks, done: isDone, withSubtasks } }),
        ),
      ),
    skipTask: async (id: string) =>
      done(
        await answer(api.POST('/tasks/{id}/skip', { params: { path: { id } }, body: { entry: newId() } })),
      ),
    changeTasks: async (tasks: string[], change: TaskChange) =>
      done(await answer(api.POST('/tasks/changes', { body: { entry: newId(), tasks, ...change } }))),
    putOffTasks: async (tasks: string[], to: When, what: PutOff['what'] = null) =>
      done(await answer(api.POST('/tasks/put-offs', { body: { entry: newId(), tasks, to, what } }))),
    remindOf: async (conversation: string, reminders: string[]) =>
      done(
        await answer(
          api.PUT('/conversations/{id}/reminders', {
            params: { path: { id: conversation } },
            body: { entry: newId(), reminders },
          }),
        ),
      ),
    moveReminder: async (of: { task?: string; conversation?: string }, reminder: string, to: When | null) =>
      done(await answer(api.POST('/reminder-moves', { body: { entry: newId(), reminder, to, ...of } }))),
    letGo: async (rings: string[]) =>
      done(await answer(api.POST('/rings/let-go', { body: { entry: newId(), rings } }))),
    remindAgain: async (rings: string[], at: When) =>
      done(await answer(api.POST('/rings/again', { body: { entry: newId(), rings, at } }))),
    moveTasks: async (tasks: string[], spot: Spot) =>
      done(await answer(api.POST('/tasks/moves', { body: { entry: newId(), tasks, ...spot } }))),
    deleteTasks: async (tasks: string[]) =>
      done(await answer(api.POST('/tasks/deletions', { body: { entry: newId(), tasks } }))),
    clearDone: async (list?: string) =>
      done(
        await answer(
          api.DELETE('/done', { params: { query: { entry: newId(), ...(list ? { list } : {}) } } }),
        ),
      ),
    jot: async (line: string) =>
      decided(await answer(api.PUT('/jot', { body: { entry: newId(), id: newId(), line } }))),
    addList: async (name: string, colour: ListColour) =>
      done(await answer(api.POST('/lists', { body: { entry: newId(), id: newId(), name, colour } }))),
    editList: async (id: string, name: string, colour: ListColour, archived: boolean) =>
      done(
        await answer(
          api.PUT('/lists/{id}', {
            params: { path: { id } },
            body: { entry: newId(), name, colour, archived },
          }),
        ),
      ),
    moveList: async (id: string, behind: string | null, parent: string | null = null) =>
      done(
        await answer(
          api.PUT('/lists/{id}/place', {
            params: { path: { id } },
            body: { entry: newId(), behind, parent },
          }),
        ),
      ),
    deleteList: async (id: string, moveTo?: string) =>
      done(
        await answer(
          api.DELETE('/lists/{id}', {
            params: { path: { id }, query: { entry: newId(), ...(moveTo ? { moveTo } : {}) } },
          }),
        ),
      ),
    ...mailSteps({ done, left }),
    emptyBin: async () => done(await answer(api.DELETE('/bin', { params: { query: { id: newId() } } }))),
    /** @param through what came after it and stands in the way is undone, too */
    undo: async (entry: { id: string }, through = false) => {
      const body = { id: newId(), through }
      try {
        return done(
          await answer(api.POST('/journal/{id}/undo', { params: { path: { id: entry.id } }, body })),
        )
      } catch (problem) {
        if (problem instanceof Problem && problem.later) problem.undoing = entry.id
        throw problem
      }
    },
  }

  const followed = Object.fromEntries(
    Object.entries(steps).map(([name, step]) => [
      name,
      (...args: unknown[]) => follow((step as (...of: unknown[]) => Promise<unknown>)(...args)),
    ]),
  ) as typeof steps

  return {
    ...followed,
    moveClock: async (to: 'hour' | 'morning' | 'week') => {
      await answer(api.POST('/demo/clock', { body: { to } }))
      await askAgain()
    },
  }
}
