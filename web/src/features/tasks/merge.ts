import type { TaskDraft } from './draft'

type Field = keyof TaskDraft

/** How a repeat is counted goes with the repeat; how it was before is no field of its own. */
const TOGETHER: Partial<Record<Field, Field[]>> = { repeat: ['fromCompletion', 'repeatWas'] }
const PARTS = Object.values(TOGETHER).flat()

/** What a person sees of a field, without how it has been read. */
export function same(one: unknown, other: unknown): boolean {
  const words = (value: unknown) =>
    JSON.stringify(value, (key, part: unknown) => (key === 'reading' ? undefined : part))
  return words(one) === words(other)
}

/**
 * Two changes of the same task, made one beside the other: each keeps what only it has changed.
 *
 * @param base what both began with
 * @return with `asks`, the fields that both changed, each in its own way; these are as in mine
 */
export function merged(
  base: TaskDraft,
  mine: TaskDraft,
  theirs: TaskDraft,
): { draft: TaskDraft; asks: Field[] } {
  const draft = { ...theirs }
  const asks: Field[] = []
  for (const field of Object.keys(mine) as Field[]) {
    if (PARTS.includes(field)) continue
    const all = [field, ...(TOGETHER[field] ?? []).filter((part) => part !== 'repeatWas')]
    const is = (one: TaskDraft, other: TaskDraft) => all.every((part) => same(one[part], other[part]))
    if (is(mine, base) || is(mine, theirs)) continue
    if (!is(theirs, base)) asks.push(field)
    for (const part of all) Object.assign(draft, { [part]: mine[part] })
  }
  return { draft, asks }
}
