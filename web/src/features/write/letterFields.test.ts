import { expect, test } from 'vitest'
import { withAddress } from './letterFields'

test.each([
  ['Bram, ', 'Bram', 'Bram Toller <bram@toller.example>, '],
  [
    'Petra <petra@point.example>, Bram, Il',
    'Bram',
    'Petra <petra@point.example>, Bram Toller <bram@toller.example>, Il',
  ],
  ['Bramble, Bram', 'Bram', 'Bramble, Bram Toller <bram@toller.example>'],
  ['Bram Stone, ', 'Bram', 'Bram Stone, '],
  ['', 'Bram', ''],
])('in “%s”, %s becomes an address', (addresses, name, expected) => {
  expect(withAddress(addresses, name, 'Bram Toller <bram@toller.example>')).toBe(expected)
})

test('what means something in a replacement is nothing but text', () => {
  expect(withAddress('A', 'A', '"$& $1" <a@b.example>')).toBe('"$& $1" <a@b.example>')
})
