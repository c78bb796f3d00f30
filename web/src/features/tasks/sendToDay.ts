import { computed, ref } from 'vue'
import type { ConversationRow, TaskRow } from '@/shared/api/client'
import { day } from '@/shared/time/format'
import { asProposed } from './draft'
import { dragged, endDrag, type Dragged } from '@/ui/drag'
import { attempt } from '@/shared/notice'
import { counted, subjectOf } from '@/shared/words'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { proposalsOf } from './queries'
import { useTaskSteps } from './steps'

/** In which of the two rows of the rail something is put down. */
export type Row = 'due' | 'back'

const chosen = ref<Dragged | null>(null)

/** What is to be sent to a day by keyboard. */
export const sending = computed(() => chosen.value)

/** What is on its way to a day, dragged or sent. */
export const onItsWay = computed(() => (chosen.value ?? dragged.value) as Dragged | null)

export function send(what: Dragged): void {
  if (what.kind === 'task' ? what.tasks.length : what.rows.length) chosen.value = what
}

export const stopSending = () => (chosen.value = null)

const names = (what: Dragged): string => {
  const [first, count, unit] =
    what.kind === 'task'
      ? [what.tasks[0]?.title, what.tasks.length, 'task']
      : [what.rows[0] && subjectOf(what.rows[0]), what.rows.length, 'conversation']
  return count === 1 ? `“${first}”` : counted(count, unit)
}

/**
 * What follows from putting it down there, before it is done.
 *
 * @param back when it comes back on that day; null when nothing of the day is left
 */
export function consequence(what: Dragged, row: Row, date: string, back: string | null): string {
  const when = day(date)
  const [name, one] = [names(what), (what.kind === 'task' ? what.tasks : what.rows).length === 1]
  if (what.kind === 'conversation') {
    if (row === 'due')
      return `${name} ${one ? 'becomes a task' : 'become tasks'} due ${when}; the mail goes to the archive.`
    if (back === null) return `Nothing is left of ${when}: choose a later day.`
    return `${name} ${one ? 'goes' : 'go'} away and ${one ? 'comes' : 'come'} back ${when} at ${back}.`
  }
  if (row === 'back') return `${name} ${one ? 'is' : 'are'} out of the way until ${when}.`
  const due = one ? what.tasks[0]?.due?.date : undefined
  if (due === date) return `${name} is due ${when} already.`
  const before = due ? `, not ${day(due)}` : ''
  return `${name} ${one ? 'is' : 'are'} due ${when}${before}.`
}

const isAway = ({ place }: ConversationRow) => place === 'away'

/** Puts what is on its way down on a day. */
export function usePuttingDown() {
  const { decide } = useDecideSteps()
  const { makeTasks, changeTasks } = useTaskSteps()

  async function put(what: Dragged, row: Row, date: string): Promise<void> {
    if (what.kind === 'task') {
      const ids = what.tasks.map(({ id }: TaskRow) => id)
      await changeTasks(ids, row === 'due' ? { due: { date } } : { start: { date } })
    } else if (row === 'back') {
      const details = { until: { date }, ...(what.clearing ? { clearing: what.clearing } : {}) }
      // What is away already stays away for the same reason.
      const [away, here] = [what.rows.filter(isAway), what.rows.filter((one) => !isAway(one))]
      if (away.length) await decide('move_return', away.map(claimOf), details)
      if (here.length) await decide('snooze', here.map(claimOf), details)
    } else {
      const proposals = await proposalsOf(what.rows.map(({ id }) => id))
      const of = new Map(proposals.map((one) => [one.conversation, one.proposal]))
      const tasks = what.rows.map((one) => ({
        ...asProposed(one, of.get(one.id), { due: { date } }),
        conversation: claimOf(one),
      }))
      await makeTasks(tasks, what.clearing)
    }
  }

  return async (row: Row, date: string): Promise<void> => {
    const what = onItsWay.value
    stopSending()
    endDrag()
    // What is refused is in the hand again.
    if (what && !(await attempt(() => put(what, row, date)))) send(what)
  }
}
