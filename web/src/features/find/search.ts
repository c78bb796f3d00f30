/** Part of what was typed, in characters (not in UTF-16 units) from 0. */
interface Span {
  from: number
  to: number
}

const tidy = (text: string) => text.replace(/\s+/g, ' ').trim()
const pieces = (typed: string, { from, to }: Span) => {
  const letters = [...typed]
  return [
    letters.slice(0, from).join(''),
    letters.slice(from, to).join(''),
    letters.slice(to).join(''),
  ] as const
}

/** Without one of its refinements. */
export function without(typed: string, span: Span): string {
  const [before, , after] = pieces(typed, span)
  return tidy(`${before} ${after}`)
}

/** With "not" before it, or without where it stands there. */
export function turned(typed: string, span: Span, not: boolean): string {
  const [before, words, after] = pieces(typed, span)
  return tidy(`${before} ${not ? words.replace(/^(?:not\s+)+/i, '') : `not ${words}`} ${after}`)
}

/** Looked for as it stands, and no refinement. */
export function quoted(typed: string, span: Span): string {
  const [before, words, after] = pieces(typed, span)
  return tidy(`${before} "${words.replace(/["“”„]/g, '')}" ${after}`)
}

/** With an offer in the place of what was begun. */
export const accepted = (typed: string, { from, text }: { from: number; text: string }): string =>
  [...typed].slice(0, from).join('') + text

/** With one more refinement begun behind it. */
export const begun = (typed: string, words: string): string =>
  tidy(typed) ? `${tidy(typed)} ${words} ` : `${words} `
