import type { Label, LabelOn } from '@/shared/api/client'

export interface LabelChoice {
  name: string
  /** Null: it is made when it is chosen */
  label: Pick<Label, 'name' | 'colour' | 'untilDealt'> | null
  /** How many of those that are to be labelled bear it */
  on: 'all' | 'some' | 'none'
}

const folded = (text: string) => text.trim().replace(/\s+/g, ' ').toLowerCase()

/**
 * The labels that can be chosen after something was typed: those that begin with it first, then those that hold it; and
 * one that is made of it when there is none of that name.
 *
 * @param borne what each of those bears that are to be labelled
 */
export function choicesOf(labels: Label[], typed: string, borne: LabelOn[][]): LabelChoice[] {
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
  const isNew = wanted !== '' && !labels.some(({ name }) => folded(name) === wanted)
  return isNew ? [...choices, { name: typed.trim().replace(/\s+/g, ' '), label: null, on: 'none' }] : choices
}
