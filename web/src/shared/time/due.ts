import type { Due } from '../api/client'
import { day, daysAhead, nearDay, nearness, type Nearness } from './format'

export const dueText = (due: Due): string => day(due.date) + (due.time ? `, ${due.time}` : '')

/** What a tab says of a due, and how dark it is. */
export function dueTab(due: Due, over: boolean): { text: string; near: Nearness } {
  const days = daysAhead(due.date)
  if (over) {
    const text = days < 0 ? `${-days} ${days === -1 ? 'day' : 'days'} over` : `over since ${due.time ?? ''}`
    return { text, near: 'over' }
  }
  const name = days >= 0 && days <= 1 ? nearDay(due.date) : day(due.date)
  return { text: due.time ? `${name} ${due.time}` : name, near: nearness(due.date) }
}
