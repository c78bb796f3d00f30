import type { Found } from '@/shared/api/client'

/** A stretch of a text that is set off, counted in characters (code points) from 0. */
export interface Mark {
  kind: 'request' | 'date' | 'item'
  from: number
  to: number
  title?: string
}

const DATES = { deadline: 'A deadline', appointment: 'An appointment', mention: '' }

/** What was found in a message, as marks in its text. Dates that are only spoken of are not marked. */
export function marksOf(found: Found | null | undefined): Mark[] {
  if (!found) return []
  return [
    ...found.requests.map(({ from, to }) => ({
      kind: 'request' as const,
      from,
      to,
      title: 'It asks for something',
    })),
    ...found.dates
      .filter(({ kind }) => kind !== 'mention')
      .map(({ from, to, kind, date, time }) => ({
        kind: 'date' as const,
        from,
        to,
        title: `${DATES[kind]}: ${date}${time ? `, ${time}` : ''}`,
      })),
    ...found.items.map(({ from, to }) => ({ kind: 'item' as const, from, to })),
  ]
}

export interface Piece {
  text: string
  href?: string
  marks: Mark[]
}

const ADDRESS = /\bhttps?:\/\/[^\s<>"')\]]+[^\s<>"')\].,;:!?]|\b[\w.+-]+@[\w-]+(?:\.[\w-]+)+/g

/**
 * Cuts a text into lines, and each line at its links and marks.
 *
 * @param from where the text begins, in the characters by which the marks are counted
 */
export function pieces(text: string, from: number, marks: Mark[]): Piece[][] {
  let at = from
  return text.split('\n').map((line) => {
    const characters = Array.from(line)
    const here = marks.filter((mark) => mark.from < at + characters.length && mark.to > at)
    const found = here.length ? cut(characters, at, here) : [{ text: line, marks: [] as Mark[] }]
    at += characters.length + 1
    return found.flatMap(linked)
  })
}

function cut(characters: string[], at: number, marks: Mark[]): Piece[] {
  const ends = new Set([0, characters.length])
  for (const { from, to } of marks) {
    ends.add(Math.min(characters.length, Math.max(0, from - at)))
    ends.add(Math.min(characters.length, Math.max(0, to - at)))
  }
  const edges = [...ends].sort((a, b) => a - b)
  return edges.slice(0, -1).map((begin, index) => ({
    text: characters.slice(begin, edges[index + 1]).join(''),
    marks: marks.filter((mark) => mark.from - at <= begin && mark.to - at > begin),
  }))
}

function linked(piece: Piece): Piece[] {
  const found: Piece[] = []
  let at = 0
  for (const match of piece.text.matchAll(ADDRESS)) {
    if (match.index > at) found.push({ text: piece.text.slice(at, match.index), marks: piece.marks })
    const address = match[0]
    const href = address.startsWith('http') ? address : `mailto:${address}`
    found.push({ text: address, href, marks: piece.marks })
    at = match.index + address.length
  }
  if (at < piece.text.length) found.push({ text: piece.text.slice(at), marks: piece.marks })
  return found
}
