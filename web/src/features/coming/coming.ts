import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { Coming, ComingItem, ComingKind, When } from '@/shared/api/client'
import { day, daysAhead } from '@/shared/time/format'
import { counted, subjectOf } from '@/shared/words'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { useComing } from './queries'
import { useTaskSteps } from '@/features/tasks'
import { useComingSteps } from './steps'
import { useWriteSteps } from '@/features/write'

export type Stretch = Coming['stretches'][number]

/** Something that comes, with a name of its own in the list. */
export type Row = ComingItem & { id: string }

export const KINDS: { kind: ComingKind; text: string }[] = [
  { kind: 'mail', text: 'Mail' },
  { kind: 'owed', text: 'Owed to you' },
  { kind: 'start', text: 'Starts' },
  { kind: 'reminder', text: 'Reminders' },
  { kind: 'out', text: 'Going out' },
]

export const nameOf = (item: ComingItem): string =>
  item.task?.title ?? subjectOf(item.conversation ?? item.outgoing ?? { subject: '' })

export const rowOf = (item: ComingItem): Row => ({
  ...item,
  id: [item.kind, item.task?.id ?? item.conversation?.id ?? item.outgoing?.id, item.text].join(' '),
})

/** Of a reminder that comes again and again no one moment can be moved. */
export const canMove = (item: ComingItem): boolean => item.how !== 'repeat'

const [WEEKDAY, NUMBER, MONTH, YEAR] = [0, 1, 2, 3]
const part = (date: string, which: number): string => day(date).split(' ')[which] ?? ''
const isOneDay = ({ from, to }: { from: string; to: string }) => from === to

/** What stands beside a stretch: big, and small under it. */
export function headOf(stretch: Stretch): { head: string; sub: string } {
  const { kind, from, to, hour } = stretch
  const year = part(from, YEAR)
  if (kind === 'hour')
    return { head: hour === null ? 'Today' : `${hour}:00`, sub: hour === null ? '' : 'today' }
  if (kind === 'day') {
    const sub = daysAhead(from) === 1 ? 'tomorrow' : `${part(from, WEEKDAY)}, ${part(from, MONTH)}`
    return { head: part(from, NUMBER), sub: [sub, year].filter(Boolean).join(' ') }
  }
  if (kind === 'week') {
    const months = [part(from, MONTH), part(to, MONTH)]
    return {
      head: `${part(from, NUMBER)}–${part(to, NUMBER)}`,
      sub: [...new Set(months)].join(' / '),
    }
  }
  return { head: part(from, MONTH), sub: part(from, YEAR) || 'this year' }
}

export function gapText(gap: Stretch): string {
  if (isOneDay(gap)) return `Nothing comes back ${daysAhead(gap.from) === 1 ? 'tomorrow' : day(gap.from)}`
  return `Nothing comes back ${day(gap.from)} to ${day(gap.to)}`
}

/** The day and time that something dropped on a stretch gets; a time of its own stays. */
export function spotOf(stretch: Stretch, item: ComingItem): { date: string; time?: string } {
  if (stretch.kind === 'hour' && stretch.hour !== null) {
    return { date: stretch.from, time: `${String(stretch.hour).padStart(2, '0')}:00` }
  }
  return { date: stretch.from, ...(item.time ? { time: item.time } : {}) }
}

/** What follows when it is dropped there, before it is dropped. */
export function dropText(stretch: Stretch, item: ComingItem): string {
  const spot = spotOf(stretch, item)
  const when = `${day(spot.date)}${spot.time ? `, ${spot.time}` : ''}`
  const what = {
    mail: 'comes back',
    owed: 'comes back',
    start: 'begins',
    reminder: 'reminds',
    out: 'goes out',
  }[item.kind]
  return `“${nameOf(item)}” ${what} ${when}.`
}

/** Stretches of several parts; one that a part ends in goes on in the next. */
export function joined(parts: Stretch[][]): (Stretch & { rows: Row[] })[] {
  const line: (Stretch & { rows: Row[] })[] = []
  const seen = new Set<string>()
  for (const stretch of parts.flat()) {
    const rows = stretch.items.map(rowOf).filter(({ id }) => !seen.has(id) && seen.add(id))
    const last = line.at(-1)
    if (last?.kind === stretch.kind && last.from === stretch.from && last.hour === stretch.hour)
      last.rows.push(...rows)
    else line.push({ ...stretch, rows })
  }
  return line
}

/** The time line of the kinds that are wanted, and what can be done with what stands on it. */
export function useTimeLine() {
  const hidden = useLocalStorage<ComingKind[]>('zippy-tray.coming-hidden', [])
  const kinds = computed(() => KINDS.map(({ kind }) => kind).filter((kind) => !hidden.value.includes(kind)))
  const coming = useComing(kinds)
  const { parts, error, refetch, whole } = coming
  const { decide } = useDecideSteps()
  const { putOffTasks } = useTaskSteps()
  const { moveReminder } = useComingSteps()
  const { sendMail } = useWriteSteps()

  const clearing = computed(() => (parts.value ?? []).flatMap((part) => part.clearing.map(rowOf)))
  const stretches = computed(() => joined((parts.value ?? []).map((part) => part.stretches)))
  const counts = computed(() => parts.value?.at(-1)?.counts)
  const rows = computed(() => [...clearing.value, ...stretches.value.flatMap((stretch) => stretch.rows)])
  const of = (item: ComingItem) =>
    item.task ? { task: item.task.id } : { conversation: item.conversation?.id ?? '' }

  return {
    counts,
    /** What is still to come of the kinds that are shown. */
    left: computed(
      () => kinds.value.reduce((sum, kind) => sum + (counts.value?.[kind] ?? 0), 0) - rows.value.length,
    ),
    coming,
    error,
    refetch,
    whole,
    kinds,
    clearing,
    stretches,
    rows,
    toggle: (kind: ComingKind) => {
      hidden.value = hidden.value.includes(kind)
        ? hidden.value.filter((other) => other !== kind)
        : [...hidden.value, kind]
    },
    showAll: () => (hidden.value = []),
    /** To another moment, staying what it is. */
    move: async (item: ComingItem, to: When): Promise<unknown> => {
      if (item.kind === 'reminder') return moveReminder(of(item), item.text, to)
      if (item.task) return putOffTasks([item.task.id], to, 'start')
      if (item.outgoing) return sendMail(item.outgoing.id, { at: to, despite: true })
      return item.conversation && decide('move_return', [claimOf(item.conversation)], { until: to })
    },
    /** Now instead of later; a reminder is taken off. */
    now: async (item: ComingItem): Promise<unknown> => {
      if (item.kind === 'reminder') return moveReminder(of(item), item.text, null)
      if (item.task) return putOffTasks([item.task.id], { phrase: 'today' }, 'start')
      if (item.outgoing) return sendMail(item.outgoing.id, { atOnce: true, despite: true })
      return item.conversation && decide('bring_back', [claimOf(item.conversation)])
    },
  }
}

export const NOW: Record<ComingKind, string> = {
  mail: 'Bring back now',
  owed: 'Bring back now',
  start: 'Begin now',
  reminder: 'Do not remind',
  out: 'Send now',
}

/** What is said of it besides its name. */
export function noteOf(item: ComingItem): string {
  const { conversation, task } = item
  // That of a moment says what the tab says.
  if (item.kind === 'reminder') return item.how === 'moment' ? 'reminder' : item.text
  if (task) return [task.list.name, task.due ? `due ${day(task.due.date)}` : ''].filter(Boolean).join(' · ')
  if (item.outgoing) return `goes out to ${item.outgoing.to}`
  if (!conversation) return ''
  if (item.kind === 'owed') return `${conversation.owedBy} owes you an answer`
  return [
    conversation.awayReason === 'answer' ? 'until they answer' : '',
    conversation.snoozes > 1 ? `put off ${counted(conversation.snoozes, 'time')}` : '',
  ]
    .filter(Boolean)
    .join(' · ')
}
