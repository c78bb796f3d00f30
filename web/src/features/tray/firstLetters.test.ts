import { expect, test } from 'vitest'
import { firstLetters } from './firstLetters'

test('five letters, as a file of the usual form, dated before now', async () => {
  const now = new Date('2026-03-05T08:00:00Z')
  const text = await firstLetters('wren@ternpoint.example', now).text()
  const heads = text.match(/^From \S+@\S+ \w{3} \w{3} [ \d]\d \d{2}:\d{2}:\d{2} \d{4}\r$/gm)
  expect(heads).toHaveLength(5)
  expect(heads?.[0]).toContain(' Thu Mar  5 07:00:00 2026')
  for (const [, date] of text.matchAll(/^Date: (.*)\r$/gm))
    expect(Date.parse(date ?? '')).toBeLessThan(now.getTime())
  expect(text.match(/^To: wren@ternpoint\.example\r$/gm)).toHaveLength(5)
})
