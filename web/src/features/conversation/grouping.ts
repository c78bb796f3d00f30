import { useLocalStorage } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import type { ClearingOrder, ConversationRow } from '@/shared/api/client'
import { dateOf, daysAhead } from '@/shared/time/format'
import { bandOf } from '@/features/importance'
import { GROUPS, UNREAD } from './advice'

export const GROUPINGS = ['advice', 'importance', 'age', 'sender', 'unread'] as const
export type Grouping = (typeof GROUPINGS)[number]

export interface Group {
  name: string
  rows: ConversationRow[]
}

function ageOf(row: ConversationRow): string {
  const days = -daysAhead(dateOf(row.latestAt))
  if (days <= 0) return 'Today'
  if (days === 1) return 'Yesterday'
  return days < 7 ? 'In the last week' : 'Older'
}

const nameOf: Record<Grouping, (row: ConversationRow) => string> = {
  advice: (row) => (row.advice ? GROUPS[row.advice.group] : UNREAD),
  importance: (row) => (row.advice ? bandOf(row.advice.importance) : UNREAD),
  age: ageOf,
  sender: (row) => row.who,
  unread: (row) => (row.unread ? 'Not read yet' : 'Read, and still undecided'),
}

/** By advice and by importance they come in the order of the tray; in all others the newest stands first. */
function ordered(given: ConversationRow[], grouping: Grouping): ConversationRow[] {
  if (grouping === 'advice' || grouping === 'importance') return given
  const rows = [...given].sort((a, b) => b.latestAt.localeCompare(a.latestAt))
  if (grouping === 'unread') return rows.sort((a, b) => Number(b.unread) - Number(a.unread))
  if (grouping !== 'sender') return rows
  const times = new Map<string, number>()
  for (const { who } of rows) times.set(who, (times.get(who) ?? 0) + 1)
  // Those with most mail first, so that they are decided together.
  return rows.sort((a, b) => (times.get(b.who) ?? 0) - (times.get(a.who) ?? 0) || a.who.localeCompare(b.who))
}

/** By what the person has the tray grouped. */
const grouping = useLocalStorage<Grouping>('zippy-tray.grouping', 'advice')

/** The label that is asked for; empty: all of the tray. */
export const trayLabel = ref('')

/** In which order the tray is asked for. */
export const trayOrder = computed<ClearingOrder>(() =>
  grouping.value === 'importance' ? 'important' : 'grouped',
)

/** The tray in groups, as it is shown; what came back stands first. */
export function inGroups(rows: ConversationRow[]): Group[] {
  const found = new Map<string, ConversationRow[]>()
  // What matters most stands first, also before what came back.
  const isFirst = ({ returned }: ConversationRow) => returned && grouping.value !== 'importance'
  const back = rows.filter(isFirst)
  if (back.length) found.set('Back with you', back)
  for (const row of ordered(rows, grouping.value)) {
    if (isFirst(row)) continue
    const name = nameOf[grouping.value](row)
    const group = found.get(name)
    if (group) group.push(row)
    else found.set(name, [row])
  }
  return [...found].map(([name, of]) => ({ name, rows: of }))
}

/** The one that comes after it in its group, or before it when it is the last; none when it is the only one. */
export function nextOfGroup(rows: ConversationRow[], id: string): string | undefined {
  const group = inGroups(rows).find((one) => one.rows.some((row) => row.id === id))?.rows ?? []
  const index = group.findIndex((row) => row.id === id)
  return (group[index + 1] ?? group[index - 1])?.id
}

/** The tray in groups, of which some are folded. */
export function useGrouping(rows: Ref<ConversationRow[]>) {
  const folded = useLocalStorage<string[]>('zippy-tray.folded', [])
  const groups = computed<Group[]>(() => inGroups(rows.value))

  const isFolded = (group: Group) => folded.value.includes(group.name)
  return {
    grouping,
    groups,
    isFolded,
    fold: (group: Group) => {
      folded.value = isFolded(group)
        ? folded.value.filter((name) => name !== group.name)
        : [...folded.value, group.name]
    },
    /** The rows in the order in which they stand on screen, without folded ones. */
    visible: computed(() => groups.value.flatMap((group) => (isFolded(group) ? [] : group.rows))),
  }
}
