import { expect, test } from 'vitest'
import { row } from '@/shared/rows.fixture'
import { alongBlocked } from './take'

test.each([
  ['tam@glass.example', false, 'Tam@Glass.example', true],
  ['tam@glass.example', false, 'ilse@glass.example', false],
  ['tam@glass.example', true, 'ilse@glass.example', true],
  ['tam@glass.example', true, 'ilse@mail.glass.example', true],
  ['tam@glass.example', true, 'ilse@notglass.example', false],
])('who blocks %s (its domain: %s) does not see %s: %s', (blocked, wholeDomain, other, expected) => {
  expect(alongBlocked([row({ id: 'a', email: blocked })], wholeDomain)(row({ id: 'b', email: other }))).toBe(
    expected,
  )
})
