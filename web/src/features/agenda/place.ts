/** Where things lie in the row of a day, whose hours run from left to right. Times are minutes from midnight. */

export interface Span {
  from: number
  to: number
}

export interface Laid extends Span {
  id: string
}

export interface Placed extends Laid {
  /** From 0 at the top */
  lane: number
}

const DAY = 24 * 60

/** "09:30" → 570; as an end, midnight is that of the evening. */
export const minutesOf = (time: string, isEnd = false): number => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number)
  const all = hours * 60 + minutes
  return isEnd && all === 0 ? DAY : all
}

export const timeOf = (minutes: number): string => {
  const within = Math.max(0, Math.min(DAY - 1, Math.round(minutes)))
  return `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`
}

/** Whole hours: those that are wanted, and wider where something lies outside. */
export function hoursShown(wanted: Span, laid: readonly Span[]): Span {
  const from = Math.min(wanted.from, ...laid.map((one) => one.from))
  const to = Math.max(wanted.to, ...laid.map((one) => Math.min(DAY, one.to)))
  return { from: Math.floor(Math.max(0, from) / 60) * 60, to: Math.ceil(Math.min(DAY, to) / 60) * 60 }
}

/**
 * Things that would lie over one another come into lanes. A name stands in its thing, or beside it where that is too short
 * for it: then it takes as much room as the name.
 *
 * @param things needs: how many minutes its name needs
 * @param least how many it needs where that is not known
 */
export function lanes(things: readonly (Laid & { needs?: number })[], least: number): Placed[] {
  const ends: number[] = []
  return [...things]
    .sort((a, b) => a.from - b.from || b.to - a.to || a.id.localeCompare(b.id))
    .map(({ needs, ...thing }) => {
      const free = ends.findIndex((end) => end <= thing.from)
      const lane = free < 0 ? ends.length : free
      ends[lane] = Math.max(thing.to, thing.from + (needs ?? least))
      return { ...thing, lane }
    })
}

/** Where a moment lies in the hours that are shown: 0 at their beginning, 1 at their end. */
export const part = (minutes: number, shown: Span): number =>
  Math.max(0, Math.min(1, (minutes - shown.from) / (shown.to - shown.from)))

/** The quarter of an hour that is meant by a place in the hours that are shown. */
export const quarterAt = (place: number, shown: Span): number =>
  Math.max(0, Math.min(DAY - 15, Math.round((shown.from + place * (shown.to - shown.from)) / 15) * 15))

/** Neighbours that are free, two or more, are one row. */
export function folded<Day>(
  days: readonly Day[],
  isFree: (day: Day) => boolean,
): { days: Day[]; isFolded: boolean }[] {
  const rows: { days: Day[]; isFolded: boolean }[] = []
  for (const day of days) {
    const isFolded = isFree(day)
    const last = rows.at(-1)
    if (last && last.isFolded && isFolded) last.days.push(day)
    else rows.push({ days: [day], isFolded })
  }
  return rows
}
