import type { Label, LabelOn } from '@/shared/api/client'

/** A label, or a list */
export type Choosable = Pick<Label, 'id' | 'name' | 'colour'> & { untilDealt?: boolean }

export interface LabelChoice {
  name: string
  /** Null: it is made when it is chosen */
  label: Choosable | null
  /** How many of those that are to be labelled bear it */
  on: 'all' | 'some' | 'none'
}

const folded = (text: string) => text.trim().replace(/\s+/g, ' ').toLowerCase()

/**
 * The labels that can be chosen after something was typed: those that begin with it first, then those that hold it; and
 * one that is made of it when there is none of that name.
 *
 * @param borne what each of those bears that are to be labelled
 * @param canMake whether a new word makes one
 */
export function choicesOf(
  labels: Choosable[],
  typed: string,
  borne: LabelOn[][],
  canMake = true,
): LabelChoice[] {
  const wanted = folded(typed)
  const choices: LabelChoice[] = labels
    .filter(({ name }) => folded(name).includes(wanted))
    .sort(
      (one, other) =>
        Number(folded(other.name).startsWith(wanted)) - Number(folded(one.name).startsWith(wanted)),
    )
    .map((label) => {
      const count = borne.filter((of) => of.some(({ id }) => id === label.id)).length
      return { name: label.name, label, on: count === 0 ? 'none' : count === borne.length ? 'all' : 'some' }
    })
  const isNew = canMake && wanted !== '' && !labels.some(({ name }) => folded(name) === wanted)
  return isNew ? [...choices, { name: typed.trim().replace(/\s+/g, ' '), label: null, on: 'none' }] : choices
}
