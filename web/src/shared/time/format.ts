import { now, zone } from './clock'

const DAY = 86_400_000

/** A day of the calendar, "2026-11-27". */
export type CalendarDate = string

type Parts = Record<'weekday' | 'day' | 'month' | 'year' | 'hour' | 'minute', string>

/** Made once for each zone, since making one takes longer than anything that is done with it. */
const formatters = new Map<string, Intl.DateTimeFormat>()
const dates = new Map<string, Intl.DateTimeFormat>()

function parts(instant: Date, timeZone: string): Parts {
  let formatter = formatters.get(timeZone)
  if (!formatter) {
    formatter = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      weekday: 'short',
      day: 'numeric',
      month: 'short',
      year: 'numeric',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    })
    formatters.set(timeZone, formatter)
  }
  const found = Object.fromEntries(formatter.formatToParts(instant).map(({ type, value }) => [type, value]))
  return { ...found, month: (found.month ?? '').slice(0, 3) } as Parts
}

/** The day that an instant falls on for the person. */
export function dateOf(instant: string | Date): CalendarDate {
  let formatter = dates.get(zone.value)
  if (!formatter) {
    formatter = new Intl.DateTimeFormat('en-CA', { timeZone: zone.value })
    dates.set(zone.value, formatter)
  }
  return formatter.format(new Date(instant))
}

export function today(): CalendarDate {
  return dateOf(now.value)
}

/** Days from today; negative when it is past. */
export function daysAhead(date: CalendarDate): number {
  return Math.round((Date.parse(date) - Date.parse(today())) / DAY)
}

export function plusDays(date: CalendarDate, days: number): CalendarDate {
  return new Date(Date.parse(date) + days * DAY).toISOString().slice(0, 10)
}

export function time(instant: string | Date): string {
  const { hour, minute } = parts(new Date(instant), zone.value)
  return `${hour}:${minute}`
}

/** "Fri 27 Nov", with the year when it is another one. */
export function day(date: CalendarDate): string {
  const { weekday, day: number, month, year } = parts(new Date(date + 'T12:00:00Z'), 'UTC')
  return `${weekday} ${number} ${month}` + (year === today().slice(0, 4) ? '' : ` ${year}`)
}

/** "today", "tomorrow", "yesterday" or the day. */
export function nearDay(date: CalendarDate): string {
  const names: Record<number, string> = { [-1]: 'yesterday', 0: 'today', 1: 'tomorrow' }
  return names[daysAhead(date)] ?? day(date)
}

/** "Tue 24 Nov, 10:00" */
export function moment(instant: string | Date): string {
  return `${day(dateOf(instant))}, ${time(instant)}`
}

/** "today at 10:00" */
export function nearMoment(instant: string | Date): string {
  return `${nearDay(dateOf(instant))} at ${time(instant)}`
}

/** How old: "5 min", "2 h", "3 d", "6 w", "2 y". */
export function age(instant: string): string {
  const minutes = Math.max(0, (now.value.getTime() - Date.parse(instant)) / 60_000)
  if (minutes < 60) return `${Math.max(1, Math.floor(minutes))} min`
  if (minutes < 24 * 60) return `${Math.floor(minutes / 60)} h`
  const days = Math.floor(minutes / 1440)
  if (days < 14) return `${days} d`
  return days < 365 ? `${Math.floor(days / 7)} w` : `${Math.floor(days / 365)} y`
}

export function size(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`
  if (bytes < 999_500) return `${Math.round(bytes / 1000)} kB`
  return `${(bytes / 1_000_000).toFixed(1)} MB`
}

export type Nearness = 'over' | 'near' | 'soon' | 'far'

/** How dark a tab is: the nearer, the darker. */
export function nearness(date: CalendarDate): Nearness {
  const days = daysAhead(date)
  if (days < 0) return 'over'
  if (days <= 1) return 'near'
  return days <= 7 ? 'soon' : 'far'
}
