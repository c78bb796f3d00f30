/** Something that the line can go to or do. */
export interface Going {
  id: string
  /** In a word: "view", "list" */
  kind: string
  text: string
  /** The key that does the same, or what it finds */
  hint?: string
  key?: string
  run: () => unknown
}

const MOST = 8
const words = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)

/**
 * What a line names by parts of its name: each word of it begins one of the name, in any order. A line with a semicolon is a task and
 * nothing else, and so is one of which no name has all the words.
 *
 * @returns the best first: what begins as the line does, then what is short
 */
export function matching(all: Going[], line: string): Going[] {
  if (line.includes(';') || line.trim().length < 2) return []
  const sought = words(line)
  if (!sought.length) return []
  const rank = ({ text }: Going) => {
    const there = words(text)
    return there.slice(0, sought.length).every((word, at) => word.startsWith(sought[at] ?? '')) ? 0 : 1
  }
  return all
    .filter(({ text, kind }) => {
      const there = words(`${text} ${kind}`)
      return sought.every((word) => there.some((one) => one.startsWith(word)))
    })
    .map((going, at) => ({ going, at, rank: rank(going) }))
    .sort((a, b) => a.rank - b.rank || a.going.text.length - b.going.text.length || a.at - b.at)
    .slice(0, MOST)
    .map(({ going }) => going)
}
