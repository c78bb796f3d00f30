import { useRouter } from 'vue-router'
import { newId, type DayAsk, type When } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { plusDays, today } from '@/shared/time/format'
import { useAgendaSteps, useLayMail } from '@/features/agenda'
import { useOwedSteps } from '@/features/owed'
import { useCompleting, useTaskSteps } from '@/features/tasks'
import { movesOf } from './asks'
import { PUT_OFF } from './cards'

/** What can be answered to one thing; each gives whether it was done. */
export function useAnswers() {
  const { lay, moveSlots } = useAgendaSteps()
  const layMail = useLayMail()
  const { makeTasks, putOffTasks, deleteTasks } = useTaskSteps()
  const { complete } = useCompleting()
  const { decide } = useDecideSteps()
  const { settleOwed, moveOwed } = useOwedSteps()
  const router = useRouter()

  /** On an hour of a day, or into its pocket. What is owed becomes a task to ask for it. */
  const put = (ask: DayAsk, date: string, time: string | null): Promise<boolean> =>
    attempt(async () => {
      const when = { date, ...(time ? { time } : {}) }
      if (ask.task && ask.slots.length) await moveSlots(movesOf(ask, date, time))
      else if (ask.task) await lay(ask.task.id, when)
      else if (ask.conversation) await layMail([ask.conversation], when)
      else if (ask.owed) {
        const { id, person, what } = ask.owed
        const fields = { title: `Ask ${person.name || person.email}: ${what}`, notes: '' }
        const until = { phrase: `${plusDays(date, 1)} end of day` }
        await makeTasks([{ fields, slot: { id: newId(), when } }], undefined, { id, until })
      }
    })

  /** Another day: its due is put off where that is the trouble, else it is laid there. */
  const later = (ask: DayAsk, when: When): Promise<boolean> =>
    attempt(async () => {
      if (ask.task && PUT_OFF.has(ask.why)) await putOffTasks([ask.task.id], when)
      else if (ask.task && ask.slots.length) await moveSlots(ask.slots.map(({ id }) => ({ id, when })))
      else if (ask.task) await lay(ask.task.id, when)
      else if (ask.conversation)
        await decide('snooze', [claimOf(ask.conversation)], { until: when, for: 'snooze' })
      else if (ask.owed) await moveOwed(ask.owed.id, when)
    })

  const tomorrow = (ask: DayAsk): Promise<boolean> => {
    const date = plusDays(today(), 1)
    return ask.why === 'left' ? put(ask, date, null) : later(ask, { date })
  }

  const handOver = (ask: DayAsk): void => {
    if (ask.task) void router.push({ name: 'write', query: { task: ask.task.id } })
    else if (ask.conversation) void router.push({ name: 'conversation', params: { id: ask.conversation.id } })
  }

  const finish = async (ask: DayAsk): Promise<boolean> => {
    if (ask.task) return complete([ask.task.id])
    return attempt(async () => {
      if (ask.conversation) await decide('do_now', [claimOf(ask.conversation)])
      else if (ask.owed) await settleOwed(ask.owed.id, 'answered')
    })
  }

  const drop = (ask: DayAsk): Promise<boolean> =>
    attempt(async () => {
      if (ask.task) await deleteTasks([ask.task.id])
      else if (ask.conversation) await decide('archive', [claimOf(ask.conversation)])
      else if (ask.owed) await settleOwed(ask.owed.id, 'dropped')
    })

  return { put, later, tomorrow, handOver, finish, drop }
}
