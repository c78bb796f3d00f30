import { expect, test } from 'vitest'

const sources = import.meta.glob<string>('../features/*/*.{ts,vue}', {
  query: '?raw',
  import: 'default',
  eager: true,
})

/** Which features each feature knows. */
const known = new Map<string, Set<string>>()
for (const [file, source] of Object.entries(sources)) {
  const feature = file.split('/')[2] ?? ''
  const others = known.get(feature) ?? new Set()
  for (const [, other] of source.matchAll(/from '@\/features\/([a-z]+)'/g)) others.add(other as string)
  known.set(feature, others)
}

test('no features know each other in a circle', () => {
  expect(known.size).toBeGreaterThan(10)
  const left = new Map(known)
  for (;;) {
    const free = [...left].filter(([, others]) => ![...others].some((other) => left.has(other)))
    if (free.length === 0) break
    for (const [feature] of free) left.delete(feature)
  }
  expect([...left.keys()]).toEqual([])
})

test('a feature is known by its index alone, and each has what others ask for', () => {
  for (const feature of new Set([...known.values()].flatMap((others) => [...others]))) {
    expect(Object.keys(sources)).toContain(`../features/${feature}/index.ts`)
  }
})
