import { expect, test } from 'vitest'
import { freeKeys, holdKeys, isTyping, textOf } from './held'

test.each([
  [['a', 'b'], 'ab'],
  [['a', 'Backspace', 'b'], 'b'],
  [['Backspace', 'b'], 'b'],
  [['a', 'Enter', 'b'], 'a\nb'],
  [['a', 'Tab', 'Shift', 'b'], 'ab'],
  [[], ''],
])('the text of %j is %j', (keys, text) => expect(textOf(keys)).toBe(text))

test.each([
  ['<input>', true],
  ['<input type="password">', true],
  ['<textarea></textarea>', true],
  ['<select></select>', true],
  ['<input type="checkbox">', false],
  ['<input type="radio">', false],
  ['<button></button>', false],
  ['<a href="/"></a>', false],
])('%s takes text: %s', (html, expected) => {
  document.body.innerHTML = html
  expect(isTyping(document.body.firstElementChild)).toBe(expected)
})

test('what nothing takes is given back, once', () => {
  holdKeys()
  expect(freeKeys()).toBe('')
  expect(freeKeys()).toBe('')
})
