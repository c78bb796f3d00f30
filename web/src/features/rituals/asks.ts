import type { DayAsk } from '@/shared/api/client'
import { day as dayText, moment } from '@/shared/time/format'
import { counted } from '@/shared/words'

/** What is asked about, by which it is known again after the list has been asked for anew. */
export const keyOf = (ask: DayAsk): string => ask.task?.id ?? ask.conversation?.id ?? ask.owed?.id ?? ''

export function titleOf({ task, conversation, owed }: DayAsk): string {
  if (task) return task.title
  if (conversation) return conversation.subject || 'no subject'
  return owed ? `${owed.person.name || owed.person.email}: ${owed.what}` : ''
}

const GROUPS: Record<DayAsk['why'], string> = {
  left: 'left over',
  over: 'over',
  due: 'due today',
  came_back: 'came back',
  owed: 'owed to you',
  began: 'began',
  put_off: 'put off again and again',
  silent: 'owed and silent',
  no_date: 'without a date',
}

/** "2 left over, 1 due today" */
export function groupsOf(asks: readonly DayAsk[]): string {
  const counts = new Map<string, number>()
  for (const { why } of asks) counts.set(GROUPS[why], (counts.get(GROUPS[why]) ?? 0) + 1)
  return [...counts].map(([name, count]) => `${count} ${name}`).join(', ')
}

/** Why it is asked about, in a sentence. */
export function whyOf(ask: DayAsk, today: string): string {
  const on = ask.slots.at(-1)?.date
  switch (ask.why) {
    case 'left':
      return on === today
        ? 'It was meant for today, and is not done.'
        : `It was meant for ${on ? dayText(on) : 'a day that is over'}, and was not done then.`
    case 'over':
      return 'It is over its due.'
    case 'due':
      return 'It is due today.'
    case 'came_back':
      return 'It was away, and is back in the tray.'
    case 'owed':
      return 'The answer was owed until now.'
    case 'put_off':
      return ask.conversation
        ? `It was snoozed ${ask.conversation.snoozes} times.`
        : 'It was put off three times and more.'
    case 'silent':
      return `Asked ${ask.owed ? moment(ask.owed.askedAt) : 'long ago'}, and nothing was said since.`
    case 'no_date':
      return 'Nobody has said when.'
    case 'began':
      return 'It was out of the way until now.'
  }
}

/**
 * Where what is left over goes: all of its pieces, one after the other from an hour on, or at no hour.
 *
 * @param time HH:MM; null: no hour
 */
export function movesOf(ask: DayAsk, date: string, time: string | null) {
  let at = time === null ? null : Number(time.slice(0, 2)) * 60 + Number(time.slice(3))
  return ask.slots.map(({ id, minutes }) => {
    const move = { id, when: { date, time: at === null ? null : clock(at) }, minutes }
    if (at !== null) at = Math.min(at + minutes, 1439)
    return move
  })
}

const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`

/** "All is decided", or what was passed over. */
export const leftText = (passed: number): string =>
  passed
    ? `${counted(passed, 'thing')} passed over; ${passed === 1 ? 'it stays' : 'they stay'} as ${passed === 1 ? 'it is' : 'they are'}.`
    : ''
