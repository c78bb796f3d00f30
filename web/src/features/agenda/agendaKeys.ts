import type { ComputedRef, Ref } from 'vue'
import { useRouter } from 'vue-router'
import type { TaskRow } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import { attempt } from '@/shared/notice'
import { plusDays, today } from '@/shared/time/format'
import { counted } from '@/shared/words'
import { FOCUS, PAUSE, useClock } from '@/features/clock'
import { useCompleting } from '@/features/tasks'
import { useAgendaSteps } from './steps'
import { askWhetherToTell, askWhich } from './questions'
import { shifted, stretched, type Spot, type Thing } from './things'

/** How many days can stand on the page. */
export const LENGTHS = [
  { days: 1, key: '1', text: '1 day' },
  { days: 2, key: '2', text: '2' },
  { days: 3, key: '3', text: '3' },
  { days: 7, key: '7', text: 'Week' },
]
/** What one does with days, now and then. */
export const RITUALS = [
  { key: '4', text: 'Lay out today', to: 'lay-out' },
  { key: '5', text: 'Evening look', to: 'evening' },
  { key: '6', text: 'Look back', to: 'look-back' },
]
/** Minutes. */
const STEP = 15

/** The keys of the agenda: which days are shown, and what is done with the thing that has the focus. */
export function useAgendaKeys(agenda: {
  from: Ref<string>
  length: Ref<number>
  thing: ComputedRef<Thing | undefined>
  focused: Ref<{ ref?: string; task?: string }>
  asked: Ref<{ ref?: string; task?: string } | null>
  tasks: ComputedRef<ReadonlyMap<string, TaskRow>>
  moved: (thing: Thing, to: Spot) => unknown
  flush: () => Promise<void>
  keystone: (date: string) => string | null
  openNew: () => void
}): void {
  const { from, length, thing, focused, asked, tasks, moved, flush, keystone, openNew } = agenda
  const { lay, dropSlot, dropEvent, copyEvent, chooseKeystone } = useAgendaSteps()
  const { check } = useCompleting()
  const clock = useClock()
  const router = useRouter()
  const canMove = () => thing.value?.fixed === false
  const isOwn = () => thing.value?.others === false
  const task = () => tasks.value.get(thing.value?.task ?? focused.value.task ?? '')

  function shift(minutes: number, days: number): void {
    const one = thing.value
    if (one) moved(one, shifted(one, minutes, plusDays(one.date, days)))
  }
  function stretch(minutes: number): void {
    const one = thing.value
    if (one && !one.days) moved(one, stretched(one, minutes))
  }
  async function remove(): Promise<void> {
    const one = thing.value
    if (!one) return
    if (one.kind === 'slot') return void attempt(() => dropSlot(one.id))
    const which = one.repeats ? await askWhich(one) : 'all'
    const told = which && one.asked && !one.fixed ? await askWhetherToTell() : 'no'
    if (which && told)
      await attempt(() => dropEvent(one.id, which === 'one' ? one.key : null, told === 'yes'))
  }
  async function again(): Promise<void> {
    const one = thing.value
    if (!one) return
    await flush()
    if (!one.task) return void attempt(() => copyEvent(one.id, one.key))
    const after = one.time === null ? one : shifted(one, one.minutes, one.date)
    const id = one.task
    await attempt(() =>
      lay(id, { date: after.date, ...(after.time ? { time: after.time } : {}) }, one.minutes),
    )
  }

  /** Of the day that it lies on; of a task that lies nowhere of today. */
  async function stone(): Promise<void> {
    const row = task()
    if (!row) return
    const date = thing.value?.date ?? today()
    await attempt(() => chooseKeystone(date, keystone(date) === row.id ? null : row.id))
  }

  useKeys('Agenda', [
    ...LENGTHS.map(({ days, key }) => ({
      key,
      label: days === 7 ? 'A week' : counted(days, 'day'),
      run: () => (length.value = days),
    })),
    {
      key: 'PageDown',
      label: 'The days after these',
      run: () => (from.value = plusDays(from.value, length.value)),
    },
    {
      key: 'PageUp',
      label: 'The days before these',
      run: () => (from.value = plusDays(from.value, -length.value)),
    },
    { key: 'Alt+PageDown', label: 'A day on', run: () => (from.value = plusDays(from.value, 1)) },
    { key: 'Alt+PageUp', label: 'A day back', run: () => (from.value = plusDays(from.value, -1)) },
    { key: 'Home', label: 'From today on', run: () => (from.value = today()) },
    ...RITUALS.map(({ key, text, to }) => ({ key, label: text, run: () => void router.push({ name: to }) })),
    {
      key: '8',
      label: 'The keystone of its day, or not',
      when: () => task() !== undefined && !task()?.completedAt,
      run: () => void stone(),
    },
    {
      key: PAUSE,
      label: 'Start or pause its clock',
      when: () => task() !== undefined && !task()?.completedAt,
      run: () => void clock.turn({ id: task()?.id ?? '' }),
    },
    {
      key: FOCUS,
      label: 'Only this task, with a clock',
      when: () => task() !== undefined && !task()?.completedAt,
      run: () => void router.push({ name: 'focus', params: { id: task()?.id ?? '' } }),
    },
    { key: '0', label: 'Write an event', opens: true, run: openNew },
    { key: 'ArrowLeft', label: 'A quarter of an hour earlier', when: canMove, run: () => shift(-STEP, 0) },
    { key: 'ArrowRight', label: 'A quarter of an hour later', when: canMove, run: () => shift(STEP, 0) },
    { key: 'ArrowUp', label: 'A day earlier', when: canMove, run: () => shift(0, -1) },
    { key: 'ArrowDown', label: 'A day later', when: canMove, run: () => shift(0, 1) },
    { key: 'Shift+ArrowLeft', label: 'Shorter', when: canMove, run: () => stretch(-STEP) },
    { key: 'Shift+ArrowRight', label: 'Longer', when: canMove, run: () => stretch(STEP) },
    {
      key: '=',
      label: 'When?',
      when: () => canMove() || focused.value.task !== undefined,
      opens: true,
      run: () => (asked.value = { ...focused.value }),
    },
    {
      key: ' ',
      label: 'Complete the task',
      when: () => task() !== undefined,
      run: () => {
        const row = task()
        if (row) void check(row)
      },
    },
    { key: '*', label: 'Once more, right behind it', when: isOwn, run: again },
    {
      key: 'Shift+Enter',
      label: 'Open the source',
      when: () => !!thing.value?.source,
      run: () => void router.push({ name: 'message', params: { id: thing.value?.source ?? '' } }),
    },
    { key: 'Delete', label: 'Out of the agenda', when: isOwn, run: remove },
  ])
}
