import { shallowRef } from 'vue'
import { ask } from '@/shared/ask'
import { counted } from '@/shared/words'

/** A list that is to become tasks, in a dialog of its own; null when none is. */
export const pasting = shallowRef<{ text: string; parent?: string; list?: string; done?: () => void } | null>(
  null,
)

const linesOf = (text: string): string[] => text.split(/\r?\n/).filter((line) => line.trim())

/**
 * What is pasted into a field of one line and has several is offered to become tasks.
 *
 * @param accept what becomes of the field then
 */
export function offerList(
  event: ClipboardEvent,
  more: { parent?: string; list?: string } = {},
  accept: () => void = () => undefined,
): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  const lines = linesOf(text)
  const field = event.target
  if (lines.length < 2 || !(field instanceof HTMLInputElement)) return
  event.preventDefault()
  void ask({
    title: counted(lines.length, 'line'),
    text: `“${lines[0]?.trim() ?? ''}” and what stands below it is a list. What becomes of it?`,
    answers: [
      { value: 'tasks', text: more.parent ? 'Subtasks' : 'Tasks' },
      { value: 'line', text: 'One line' },
    ],
  }).then((answer) => {
    if (answer === 'tasks') pasting.value = { text, ...more, done: accept }
    if (answer !== 'line') return
    field.focus()
    document.execCommand('insertText', false, lines.map((line) => line.trim()).join(' '))
  })
}
