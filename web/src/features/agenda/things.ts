import { shortSpan } from '@/shared/time/span'
import type { AgendaDay, Conversation, Event, Slot, TaskRow } from '@/shared/api/client'
import { minutesOf, timeOf, type Span } from './place'

/** Where something lies: on a day, from a time on or at no hour. */
export interface Spot {
  date: string
  /** HH:MM; null: at no hour, or whole days */
  time: string | null
  minutes: number
}

/** A slot or an event as it lies on days. */
export interface Thing extends Spot {
  /** Its name on the page: what it is, and which one of a series */
  ref: string
  kind: 'slot' | 'event'
  id: string
  /** Which one of a series; null: it comes once */
  key: string | null
  /** Whole days that it takes; 0: hours */
  days: number
  title: string
  /** From whom, where, with how many */
  about: string
  /** The task that lies there */
  task: string | null
  source: string | null
  done: boolean
  /** It takes none of the hours, or nobody knows yet whether it takes place */
  light: boolean
  /** Somebody else says when it is */
  fixed: boolean
  /** It is in a calendar of others: nothing of it can be changed */
  others: boolean
  /** It has changed since those who take part were told of it */
  news: boolean
  /** Those who take part were asked by mail */
  asked: boolean
  repeats: boolean
}

const DAY = 24 * 60
const GONE = 'A task that was deleted'

const slotOf = (slot: Slot, row: TaskRow | undefined): Thing => ({
  ref: `slot ${slot.id}`,
  kind: 'slot',
  id: slot.id,
  key: null,
  date: slot.date,
  time: slot.time,
  minutes: slot.minutes,
  days: 0,
  title: row?.title ?? GONE,
  about: row?.source?.who ? `from ${row.source.who}` : '',
  task: slot.task,
  source: row?.source?.id ?? null,
  done: slot.done,
  light: false,
  fixed: false,
  others: false,
  news: false,
  asked: false,
  repeats: false,
})

const said = { 'needs-action': 'not answered', tentative: 'perhaps', declined: 'declined' }

const eventOf = (event: Event): Thing => ({
  ref: `event ${event.id} ${event.key}`,
  kind: 'event',
  id: event.id,
  key: event.repeats ? event.key : null,
  date: event.begins.date,
  time: event.begins.time,
  minutes: event.minutes,
  days: event.begins.time ? 0 : daysBetween(event.begins.date, event.ends.date) + 1,
  title: event.title,
  about: [
    event.status === 'cancelled' ? 'does not take place' : '',
    event.answer && event.answer in said ? said[event.answer as keyof typeof said] : '',
    event.place,
    event.people ? `with ${event.people}` : '',
    event.calendar ?? '',
  ]
    .filter(Boolean)
    .join(', '),
  task: null,
  source: event.source,
  done: event.status === 'cancelled' || event.answer === 'declined',
  light: !event.busy || event.status === 'tentative' || event.answer === 'tentative',
  fixed: event.organiser !== null || event.calendar !== null,
  others: event.calendar !== null,
  news: event.news,
  asked: event.asked,
  repeats: event.repeats,
})

export const thingsOf = (
  days: readonly AgendaDay[],
  events: readonly Event[],
  tasks: ReadonlyMap<string, TaskRow>,
): Thing[] => [
  ...events.map(eventOf),
  ...days.flatMap(({ slots }) => slots.map((slot) => slotOf(slot, tasks.get(slot.task)))),
]

/** From one day of the calendar to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T12:00Z`) - Date.parse(`${from}T12:00Z`)) / 86_400_000)

/** The part of a day that it takes, in minutes from midnight; null: none of it, or it has no hour. */
export function partOf(thing: Spot, date: string): Span | null {
  if (thing.time === null) return null
  const from = minutesOf(thing.time) - DAY * daysBetween(thing.date, date)
  const to = from + thing.minutes
  const isHere = from < DAY && (to > 0 || (from >= 0 && to === from))
  return isHere ? { from: Math.max(0, from), to: Math.min(DAY, to) } : null
}

/** Whether it lies on that day at no hour. */
export function isInPocket(thing: Thing, date: string): boolean {
  const after = daysBetween(thing.date, date)
  return thing.time === null && after >= 0 && after < Math.max(1, thing.days)
}

/** As one reads a day: what takes it whole or has no hour first, then by the clock. */
export const inOrder = (things: readonly Thing[], date: string): Thing[] =>
  things
    .filter((thing) => partOf(thing, date) || isInPocket(thing, date))
    .sort(
      (a, b) =>
        (partOf(a, date)?.from ?? -1) - (partOf(b, date)?.from ?? -1) ||
        b.days - a.days ||
        a.title.localeCompare(b.title),
    )

/** The message of a conversation with which one was invited last. */
export const invitationIn = ({ messages }: Conversation) =>
  messages.findLast((one) => !one.own && one.attachments.some(({ event }) => event?.method === 'request'))

/** Where a click on it leads. */
export const linkOf = (thing: Thing) =>
  thing.kind === 'slot'
    ? { name: 'tasks', params: { id: thing.task ?? '' } }
    : { name: 'agenda', query: { event: thing.id, ...(thing.key ? { key: thing.key } : {}) } }

/** "14:00 to 16:00", "30 min", "all day" */
export function hoursOf(thing: Thing): string {
  if (thing.time !== null)
    return thing.minutes
      ? `${thing.time} to ${timeOf((minutesOf(thing.time) + thing.minutes) % DAY)}`
      : thing.time
  return thing.kind === 'slot' ? shortSpan(thing.minutes) : thing.days > 1 ? `${thing.days} days` : 'all day'
}

/** Moved by so much; what has an hour stays within the day that it lies on. */
export const shifted = (spot: Spot, minutes: number, date: string): Spot => ({
  date,
  time: spot.time === null ? null : timeOf(Math.max(0, Math.min(DAY - 15, minutesOf(spot.time) + minutes))),
  minutes: spot.minutes,
})

/** Longer or shorter by so much. */
export const stretched = (spot: Spot, minutes: number): Spot => ({
  ...spot,
  minutes: Math.max(minutes < 0 ? 5 : 15, Math.min(DAY, spot.minutes + minutes)),
})

/** The names of events that take hours which another one takes, too. */
export function clashing(placed: readonly (Span & { thing: Thing })[]): Set<string> {
  const taking = placed.filter(({ thing }) => thing.kind === 'event' && !thing.light && !thing.done)
  return new Set(
    taking
      .filter((one) => taking.some((other) => other !== one && other.from < one.to && one.from < other.to))
      .map(({ thing }) => thing.ref),
  )
}

/** So many pixels of a row a name needs, and each letter of it and of what stands below. */
export const NAME = 150
const LETTER = { name: 7.8, about: 6.6, around: 26, most: 300 }
export const needed = (thing: Thing): number =>
  Math.min(
    LETTER.most,
    LETTER.around +
      Math.max(
        thing.title.length * LETTER.name,
        [hoursOf(thing), thing.about].filter(Boolean).join(', ').length * LETTER.about,
      ),
  )
