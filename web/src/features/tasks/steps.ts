import {
  answer,
  api,
  newId,
  type Claim,
  type Outline,
  type Priority,
  type PutOff,
  type TaskFields,
  type When,
} from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

/** What a new task comes from: a message, the newest message of a conversation, or nothing. */
export interface NewTask {
  /** Made here, when it is needed afterwards */
  id?: string
  fields: TaskFields
  message?: string
  conversation?: Claim
  parent?: string
  subtasks?: Outline[]
  /** The title is a jotted line */
  jotted?: boolean
  done?: boolean
  /** Where it is laid */
  slot?: { id: string; when: When }
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
  /** In minutes */
  estimate?: number
}

/** Where tasks are moved to: behind a task, under one, or to a list. */
export interface Spot {
  behind?: string
  parent?: string
  list?: string
  first?: boolean
}

export const useTaskSteps = () =>
  useSteps(({ done, decided, leaving }) => ({
    /** @param asked what is owed and is asked for by them, and when it is expected then */
    makeTasks: async (tasks: NewTask[], clearing?: string, asked?: { id: string; until: When }) => {
      const body = {
        entry: newId(),
        tasks: tasks.map((task) => ({ id: newId(), ...task })),
        ...(clearing ? { clearing } : {}),
        ...(asked ? { asked } : {}),
      }
      const ids = tasks.flatMap((task) => task.conversation?.id ?? [])
      return decided(await leaving(ids, () => answer(api.POST('/tasks', { body }))))
    },
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
  }))
