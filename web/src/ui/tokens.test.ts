import { expect, test } from 'vitest'

const sources = import.meta.glob<string>('../**/*.{css,vue}', {
  query: '?raw',
  import: 'default',
  eager: true,
})

const found = (what: RegExp): Map<string, string[]> => {
  const values = new Map<string, string[]>()
  for (const [file, source] of Object.entries(sources)) {
    for (const [, value] of source.matchAll(what)) {
      values.set(value as string, [...(values.get(value as string) ?? []), file])
    }
  }
  return values
}

test('type has one of its seven sizes', () => {
  const sizes = [...found(/font-size: ([^;]+);/g).keys()]
  expect(sizes.filter((size) => !/^(var\(--type-[a-z]+\)( !important)?|inherit)$/.test(size))).toEqual([])
  expect([...found(/^ {2}(--type-[a-z]+): \d/gm).keys()]).toHaveLength(7)
  expect(sizes.length).toBeGreaterThan(6)
})

test('a screen changes at one of three widths', () => {
  const widths = [...found(/@media[^{]*?-width: (\d+)px/g).keys()].map(Number)
  expect(widths.sort((one, other) => one - other)).toEqual([640, 760, 761, 960])
})
