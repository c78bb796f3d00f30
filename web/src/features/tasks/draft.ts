import { spanText } from '@/shared/time/span'
import type {
  Outline,
  Priority,
  Source,
  StoredFile,
  Task,
  TaskFields,
  TaskProposal,
} from '@/shared/api/client'
import { toWhen, written, type Written } from '@/shared/api/when'

/** A task while it is being filled in. */
export interface TaskDraft {
  title: string
  notes: string
  list: string
  due: Written
  start: Written
  estimate: Written
  priority: Priority
  labels: string[]
  repeat: Written
  /** As it was before it was edited */
  repeatWas: string
  /** The next one is counted from the day on which this one is completed */
  fromCompletion: boolean
  reminders: string[]
  sources: Source[]
  files: StoredFile[]
}

export function emptyDraft(more: Partial<TaskDraft> = {}): TaskDraft {
  return {
    title: '',
    notes: '',
    list: '',
    due: written(null),
    start: written(null),
    estimate: written(null),
    priority: 'normal',
    labels: [],
    repeat: written(null),
    repeatWas: '',
    fromCompletion: false,
    reminders: [],
    sources: [],
    files: [],
    ...more,
  }
}

/** A draft of its own, which later changes of the other do not reach. */
export const copyOf = (draft: TaskDraft): TaskDraft => JSON.parse(JSON.stringify(draft)) as TaskDraft

export function draftOf(task: Task): TaskDraft {
  const { row } = task
  return {
    title: row.title,
    notes: task.notes,
    list: row.list.name,
    due: written(row.due),
    start: written(row.start),
    estimate: { phrase: spanText(row.estimate), reading: null },
    priority: row.priority,
    labels: row.labels.map(({ name }) => name),
    repeat: { phrase: task.repeat?.text ?? '', reading: null },
    repeatWas: task.repeat?.text ?? '',
    fromCompletion: task.repeat?.fromCompletion ?? false,
    reminders: task.reminders.map(({ text }) => text),
    sources: [...task.sources],
    files: [...task.files],
  }
}

/** What is advised for a conversation. */
export function proposedDraft(proposal: TaskProposal | null | undefined, subject: string): TaskDraft {
  return emptyDraft({
    title: proposal?.title || subject,
    due: written(proposal?.due),
    reminders: proposal?.reminders ?? [],
    ...(proposal?.list ? { list: proposal.list } : {}),
  })
}

/** A task as it is proposed; what is filled in besides holds before that. */
export function asProposed(
  row: { subject: string },
  proposal: TaskProposal | null | undefined,
  more: Partial<TaskFields> = {},
): { fields: TaskFields; subtasks: Outline[] } {
  const fields = fieldsOf(proposedDraft(proposal, row.subject || 'Look at the mail without a subject'))
  const filled = Object.entries(more).filter(
    ([name, value]) =>
      name !== 'title' && value !== null && value !== '' && !(Array.isArray(value) && !value.length),
  )
  return { fields: { ...fields, ...Object.fromEntries(filled) }, subtasks: proposal?.subtasks ?? [] }
}

export function fieldsOf(draft: TaskDraft): TaskFields {
  return {
    title: draft.title,
    notes: draft.notes,
    list: draft.list ?? '',
    due: toWhen(draft.due),
    start: toWhen(draft.start),
    estimate: draft.estimate.phrase.trim() || null,
    priority: draft.priority,
    labels: draft.labels,
    repeat: draft.repeat.phrase.trim()
      ? {
          phrase: draft.repeat.phrase,
          fromCompletion: draft.fromCompletion,
          same: draft.repeat.phrase === draft.repeatWas,
        }
      : null,
    reminders: draft.reminders,
    sources: draft.sources.map(({ kind, ref }) => ({ kind, ref })),
    files: draft.files.map(({ id }) => id),
  }
}
