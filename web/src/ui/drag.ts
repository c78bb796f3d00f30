import { readonly, ref } from 'vue'
import type { ConversationRow, TaskRow } from '@/shared/api/client'

/** What is being dragged: tasks or conversations. */
export type Dragged =
  | { kind: 'task'; tasks: TaskRow[] }
  | {
      kind: 'conversation'
      rows: ConversationRow[]
      /** The clearing in which it is decided */
      clearing?: string
    }

const current = ref<Dragged | null>(null)

export const dragged = readonly(current)

export function beginDrag(event: DragEvent, what: Dragged): void {
  current.value = what
  const title = what.kind === 'task' ? what.tasks[0]?.title : what.rows[0]?.subject
  event.dataTransfer?.setData('text/plain', title ?? '')
  if (event.dataTransfer) event.dataTransfer.effectAllowed = 'move'
}

export function endDrag(): void {
  current.value = null
}
