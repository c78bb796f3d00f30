import type { LookBack } from '@/shared/api/client'
import { workText } from '@/shared/time/span'

type Stop = LookBack['stop']

/** The stops of the walk, in order, each with its name and what is asked there. */
export const STOPS: { stop: Stop; name: string; asks: string }[] = [
  { stop: 'completed', name: 'Done', asks: 'What was completed this week.' },
  { stop: 'over', name: 'Over', asks: 'What was promised and is over its due: a new day, or none?' },
  { stop: 'put_off', name: 'Put off', asks: 'Put off three times and more. Will it ever be done?' },
  { stop: 'owed', name: 'Owed', asks: 'Who owes an answer, and has said nothing.' },
  { stop: 'lists', name: 'Lists', asks: 'Lists in which nothing can be done next.' },
  { stop: 'no_date', name: 'No date', asks: 'Nobody has said when. Some of it needs a day.' },
  { stop: 'tray', name: 'Tray', asks: 'What is still undecided.' },
  { stop: 'ahead', name: 'Ahead', asks: 'The two weeks that come.' },
  { stop: 'figures', name: 'Figures', asks: 'The week in figures, beside those before.' },
]

export const stopAt = (stop: Stop, by: number): Stop | undefined =>
  STOPS[STOPS.findIndex((one) => one.stop === stop) + by]?.stop

/** How much there is at each. */
export function countsOf(look: LookBack): Record<Stop, number> {
  return {
    completed: look.completed.length,
    over: look.asks.over.length,
    put_off: look.asks.put_off.length,
    owed: look.asks.owed.length,
    lists: look.lists.length,
    no_date: look.asks.no_date.length,
    tray: look.tray.conversations,
    ahead: look.ahead.filter(({ promised, there }) => promised > there).length,
    figures: 0,
  }
}

export interface Plot {
  name: string
  /** By week, this one last; null: it is not known */
  values: (number | null)[]
  /** As it is read */
  say: (value: number) => string
}

/** What is drawn of the weeks. */
export function plotsOf(weeks: LookBack['figures']): Plot[] {
  const count = (value: number) => String(value)
  const times = (value: number) => (value === 1 ? 'once' : `${value} times`)
  return [
    { name: 'Conversations decided', values: weeks.map(({ figures }) => figures.decided), say: count },
    {
      name: 'Looked at, until decided',
      values: weeks.map(({ timesTouched }) => timesTouched),
      say: times,
    },
    {
      name: 'Time in clearing',
      values: weeks.map(({ figures }) => figures.clearing),
      say: (value) => (value ? workText(value) : 'none'),
    },
    { name: 'Tasks completed', values: weeks.map(({ figures }) => figures.completed), say: count },
    {
      name: 'Put off',
      values: weeks.map(({ figures }) => figures.putOffs),
      say: times,
    },
    {
      name: 'Work by the clock',
      values: weeks.map(({ figures }) => figures.worked),
      say: (value) => (value ? workText(value) : 'none'),
    },
    {
      name: 'Took, against the estimate',
      values: weeks.map(({ ratio }) => ratio),
      say: (value) => `${value} times`,
    },
  ]
}

/** The share of the highest that each is, from 0 to 1. */
export function heightsOf(values: (number | null)[]): (number | null)[] {
  const highest = Math.max(0, ...values.map((value) => value ?? 0))
  return values.map((value) => (value === null ? null : highest ? value / highest : 0))
}
