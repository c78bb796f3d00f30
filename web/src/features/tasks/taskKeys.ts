import type { ComputedRef } from 'vue'
import { useRouter } from 'vue-router'
import type { TaskRow } from '@/shared/api/client'
import { useKeys, type Binding } from '@/shared/keys/registry'
import { FOCUS, PAUSE, useClock } from '@/features/clock'
import { LABEL } from '@/features/labels'
import { useCompleting } from './complete'
import { useLabelling } from './labelling'
import { attempt } from '@/shared/notice'
import { ALONG, BACK, useAlong } from '@/shared/steps/along'
import { putOff } from './putOff'
import { send } from './sendToDay'
import { useSources } from './sources'
import { orderKeys, type useTree } from './tree'
import { type Spot, useTaskSteps } from './steps'

/** What the keys of the tasks work on. */
export interface TaskDesk {
  /** The row that is current, or the task that is open */
  now: ComputedRef<TaskRow | undefined>
  /** The selected ones, or that one: what is pressed is done to all of them */
  chosen: ComputedRef<TaskRow[]>
  tree: ReturnType<typeof useTree>
  moving: Binding[]
  selecting: Binding[]
  isSelecting: () => boolean
  /** Whether the tasks stand in the person's own order */
  isOrdered: () => boolean
  openId: () => string | undefined
  show: (id?: string) => Promise<unknown>
  step: (by: number) => Promise<void>
  move: (spot: Spot | null, task: TaskRow) => Promise<void>
  clear: () => void
  write: () => void
  paste: () => void
  edit: () => Promise<void>
  askFor: (what: 'due' | 'list' | 'priority') => Promise<void>
}

/** The keys of the tasks, as printed on the key card. The digits mean what they mean in the tray, as far as they can. */
export function useTaskKeys(on: TaskDesk): void {
  const router = useRouter()
  const { deleteTasks } = useTaskSteps()
  const { along } = useAlong()
  const { complete, restore } = useCompleting()
  const labelTasks = useLabelling()
  const clock = useClock()
  const { openSourceOf, openWebOf } = useSources()

  const ids = () => on.chosen.value.map(({ id }) => id)
  const hasChosen = () => on.chosen.value.length > 0
  const withTask = (run: (task: TaskRow) => unknown) => () => void (on.now.value && run(on.now.value))
  /** All that are meant are completed, or opened again when all of them are done. */
  const turn = () =>
    on.chosen.value.every(({ completedAt }) => completedAt) ? restore(ids()) : complete(ids())
  const isStaged = () => on.chosen.value.some(({ list }) => list.staged)
  const move = (by: number) =>
    attempt(() =>
      along(
        on.chosen.value.map(({ id }) => ({ kind: 'task', id })),
        by,
      ),
    )
  const remove = () => attempt(() => deleteTasks(ids()))

  useKeys('Tasks', [
    { key: 'ArrowDown', label: 'Next task', run: () => void on.step(1) },
    { key: 'ArrowUp', label: 'Previous task', run: () => void on.step(-1) },
    ...on.moving.filter(({ key }) => !key.startsWith('Arrow')),
    { key: ' ', label: 'Complete, or open again', when: hasChosen, run: () => void turn() },
    { key: 'Enter', label: 'Open it', when: () => !!on.now.value, run: withTask((task) => on.show(task.id)) },
    { key: '2', label: 'Write a task down', opens: true, run: () => on.write() },
    { key: 'Insert', label: 'Write a task down', opens: true, run: () => on.write() },
    { key: '3', label: 'Put off', when: hasChosen, run: () => putOff(on.chosen.value, on.clear) },
    {
      key: '4',
      label: 'Hand over',
      opens: true,
      when: () => !!on.now.value && !on.now.value.completedAt && on.chosen.value.length === 1,
      run: withTask((task) => router.push({ name: 'write', query: { task: task.id } })),
    },
    { key: '5', label: 'To a list', when: hasChosen, run: () => void on.askFor('list') },
    { key: '6', label: 'Delete', when: hasChosen, run: () => void remove() },
    { key: ALONG, label: 'To the next stage', when: isStaged, run: () => void move(1) },
    { key: BACK, label: 'Back to the stage before', when: isStaged, run: () => void move(-1) },
    { key: 'Delete', label: 'Delete', when: hasChosen, run: () => void remove() },
    ...['7', LABEL].map((key) => ({
      key,
      label: 'Label',
      opens: true,
      when: hasChosen,
      run: () => labelTasks(on.chosen.value),
    })),
    { key: '8', label: 'Priority', when: hasChosen, run: () => void on.askFor('priority') },
    { key: '9', label: 'Paste a list', run: () => on.paste() },
    { key: 'Shift+Insert', label: 'Paste a list', run: () => on.paste() },
    { key: '0', label: 'Another due', when: hasChosen, run: () => void on.askFor('due') },
    {
      key: '=',
      label: 'Send to a day',
      when: hasChosen,
      run: () => send({ kind: 'task', tasks: on.chosen.value }),
    },
    ...orderKeys(on.tree).map(({ key, label, spot }) => ({
      key,
      label,
      when: () => on.isOrdered() && !!on.now.value,
      run: withTask((task) => on.move(spot(task), task)),
    })),
    {
      key: 'Ctrl+Enter',
      label: 'Open its message alone',
      when: () => !!on.now.value,
      run: withTask((task) => openSourceOf(task.id)),
    },
    {
      key: 'Alt+Enter',
      label: 'Open its web address',
      when: () => !!on.now.value,
      run: withTask((task) => openWebOf(task.id)),
    },
    {
      key: PAUSE,
      label: 'Start or pause its clock',
      when: () => !!on.now.value && !on.now.value.completedAt,
      run: withTask((task) => clock.turn(task)),
    },
    {
      key: FOCUS,
      label: 'Only this task, with a clock',
      opens: true,
      when: () => !!on.now.value && !on.now.value.completedAt,
      run: withTask((task) => router.push({ name: 'focus', params: { id: task.id } })),
    },
    {
      key: 'F2',
      label: 'Edit it',
      opens: true,
      when: () => !!on.now.value,
      run: withTask(async (task) => {
        if (on.openId() !== task.id) await on.show(task.id)
        await on.edit()
      }),
    },
    ...on.selecting,
    {
      key: 'Escape',
      label: 'Close the task',
      when: () => !!on.openId() && !on.isSelecting(),
      run: () => void on.show(),
    },
  ])
}
