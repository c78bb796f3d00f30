/** What a share of 100 means in words, the most first. */
const BANDS: [least: number, words: string][] = [
  [70, 'Matters much'],
  [50, 'Matters'],
  [0, 'Matters little'],
]

export const bandOf = (importance: number): string =>
  BANDS.find(([least]) => importance >= least)?.[1] ?? 'Matters little'
