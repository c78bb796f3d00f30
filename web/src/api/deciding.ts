import { useQueryClient } from '@tanstack/vue-query'
import { remember } from '@/parts/trail'
import {
  answer,
  api,
  newId,
  type ConversationRow,
  type Entry,
  type LocalMoment,
  type TaskFields,
} from './client'

export type DecisionKind = 'archive' | 'delete' | 'snooze' | 'bring_back' | 'put_back'

/** What a new task comes from: a message, the newest message of a conversation, or nothing. */
export interface NewTask {
  fields: TaskFields
  message?: string
  conversation?: string
}

/**
 * All that changes something. Each call gives the journal entry of what was done, puts it on the
 * trail, and has everything on screen asked for again.
 */
export function useDeciding() {
  const queries = useQueryClient()

  const askAgain = () => queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' })

  function done(entry: Entry): Entry {
    remember(entry)
    void askAgain()
    return entry
  }

  /** Takes conversations out of the list at once; when the call fails, the list is asked for again. */
  async function leaving<T>(ids: string[], call: () => Promise<T>): Promise<T> {
    await queries.cancelQueries({ queryKey: ['tray'] })
    const before = queries.getQueryData<ConversationRow[]>(['tray'])
    if (before) {
      queries.setQueryData(
        ['tray'],
        before.filter((row) => !ids.includes(row.id)),
      )
    }
    try {
      return await call()
    } catch (problem) {
      if (before) queries.setQueryData(['tray'], before)
      throw problem
    }
  }

  return {
    decide: async (kind: DecisionKind, conversations: string[], until?: LocalMoment) => {
      const body = { id: newId(), kind, conversations, ...(until ? { until } : {}) }
      return done(await leaving(conversations, () => answer(api.POST('/decisions', { body }))))
    },
    makeTasks: async (tasks: NewTask[]) => {
      const body = { entry: newId(), tasks: tasks.map((task) => ({ id: newId(), ...task })) }
      const ids = tasks.flatMap((task) => task.conversation ?? [])
      return done(await leaving(ids, () => answer(api.POST('/tasks', { body }))))
    },
    editTask: async (id: string, fields: TaskFields) =>
      done(
        await answer(api.PUT('/tasks/{id}', { params: { path: { id } }, body: { entry: newId(), fields } })),
      ),
    setTaskDone: async (id: string, isDone: boolean) =>
      done(
        await answer(
          api.PUT('/tasks/{id}/state', { params: { path: { id } }, body: { entry: newId(), done: isDone } }),
        ),
      ),
    deleteTask: async (id: string) =>
      done(await answer(api.DELETE('/tasks/{id}', { params: { path: { id }, query: { entry: newId() } } }))),
    emptyBin: async () => done(await answer(api.DELETE('/bin', { params: { query: { id: newId() } } }))),
    undo: async (entry: { id: string }) =>
      done(
        await answer(
          api.POST('/journal/{id}/undo', { params: { path: { id: entry.id } }, body: { id: newId() } }),
        ),
      ),
    moveClock: async (to: 'hour' | 'morning' | 'week') => {
      await answer(api.POST('/demo/clock', { body: { to } }))
      await askAgain()
    },
  }
}
