import type { RestHeld } from '@/shared/api/client'

/** What had better stay, by why; each group under its title. */
export interface HeldGroup {
  id: string
  title: string
  ids: string[]
}
export type HeldRow = RestHeld & { id: string }

/** In this order: the first are the likeliest to stay. */
const TITLES: Record<RestHeld['because'], string> = {
  returned: 'Came back to you',
  asks: 'Asks for something',
  day: 'Names a day still to come',
  unread: 'Not read yet',
  unanswered: 'Written to you, never answered',
}

export const heldGroups = (held: RestHeld[]): (HeldGroup | HeldRow)[] =>
  (Object.keys(TITLES) as RestHeld['because'][]).flatMap((because) => {
    const rows = held
      .filter((one) => one.because === because)
      .map((one) => ({ ...one, id: one.row.id }))
      .sort((a, b) => (a.row.latestAt < b.row.latestAt ? 1 : -1))
    if (!rows.length) return []
    return [{ id: because, title: TITLES[because], ids: rows.map(({ id }) => id) }, ...rows]
  })
