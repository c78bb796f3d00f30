import type { CardName, ListCard, StageOfCards } from '@/shared/api/client'
import { present } from '@/shared/time/clock'

export const nameOf = ({ kind, id }: ListCard): CardName => ({ kind, id })

/**
 * What a card is to stand behind that is dropped at a place of a stage.
 *
 * @param cards those of the stage, in their order
 * @param at before which of them it was dropped
 * @param moved ids of what is moved, which may stand among them
 * @returns null: it is to be the first; left out: the last, behind what is not shown, too
 */
export function behindAt(
  cards: ListCard[],
  at: number,
  moved: ReadonlySet<string>,
): CardName | null | undefined {
  const before = cards.slice(0, at).filter(({ id }) => !moved.has(id))
  const after = cards.slice(at).filter(({ id }) => !moved.has(id))
  const last = before.at(-1)
  if (!after.length) return undefined
  return last ? nameOf(last) : null
}

/**
 * Where the card beside one is that a key goes to: in the next stage, at the same height.
 *
 * @returns the id of the card, or undefined when there is none in that direction
 */
export function beside(stages: StageOfCards[], id: string | undefined, by: number): string | undefined {
  const at = stages.findIndex(({ cards }) => cards.some((card) => card.id === id))
  if (at < 0) return stages.find(({ cards }) => cards.length)?.cards[0]?.id
  const height = stages[at]?.cards.findIndex((card) => card.id === id) ?? 0
  for (let next = at + by; next >= 0 && next < stages.length; next += by) {
    const { cards } = stages[next] ?? { cards: [] }
    if (cards.length) return cards[Math.min(height, cards.length - 1)]?.id
  }
  return undefined
}

/**
 * Where a card goes that is moved by hand among its like.
 *
 * @returns what it is to stand behind; undefined where it cannot go there
 */
export function pastNext(cards: ListCard[], id: string, by: 1 | -1): CardName | null | undefined {
  const at = cards.findIndex((card) => card.id === id)
  const behind = by > 0 ? cards[at + 1] : cards[at - 2]
  if (at < 0 || (by > 0 && !behind) || (by < 0 && at === 0)) return undefined
  return behind ? nameOf(behind) : null
}

const DAY = 86_400_000

/** How long a card has stood there, in words. */
export function stood({ since, up }: Pick<ListCard, 'since' | 'up'>, days?: number | null): string {
  const here = Math.max(0, Math.floor((present().getTime() - new Date(since).getTime()) / DAY))
  const over = up && days ? here - days : 0
  if (here === 0) return 'since today'
  const text = `here ${here} ${here === 1 ? 'day' : 'days'}`
  return over > 0 ? `${text}, ${over} too long` : text
}
