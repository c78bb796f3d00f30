import { expect, test } from 'vitest'
import { createApp, h, withDirectives } from 'vue'
import { vKeyed } from './keyed'

test.each([
  ['3', '', '3', '3'],
  [' ', '', 'Space', 'Space'],
  ['Ctrl+z', 'Undo', 'Undo (Ctrl+Z)', 'Control+z'],
  ['Backspace', 'Back to drafts', 'Back to drafts (Backspace)', 'Backspace'],
])('the key %j with the tooltip %j says %j', (key, title, expected, shortcut) => {
  const root = document.createElement('div')
  createApp({ render: () => withDirectives(h('button', { title }), [[vKeyed, key]]) }).mount(root)
  const button = root.querySelector('button')
  expect([button?.title, button?.getAttribute('aria-keyshortcuts')]).toEqual([expected, shortcut])
})
