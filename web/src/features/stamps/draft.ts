import type { StampStep } from '@/shared/api/client'

export type StepKind = StampStep['do']

/** What a step can be, in the order in which it is offered. */
export const STEPS: { do: StepKind; text: string; decides?: boolean }[] = [
  { do: 'label', text: 'Put labels on' },
  { do: 'unlabel', text: 'Take labels off' },
  { do: 'list', text: 'Put into a list' },
  { do: 'read', text: 'Mark as read' },
  { do: 'answer', text: 'Answer with a template' },
  { do: 'task', text: 'Make a task', decides: true },
  { do: 'snooze', text: 'Snooze', decides: true },
  { do: 'hand_over', text: 'Hand over', decides: true },
  { do: 'do_now', text: 'Done', decides: true },
  { do: 'archive', text: 'Archive', decides: true },
  { do: 'delete', text: 'Delete', decides: true },
  { do: 'block', text: 'Block the sender', decides: true },
  { do: 'mute', text: 'Mute', decides: true },
]

export const DECISIONS: ReadonlySet<StepKind> = new Set(
  STEPS.filter(({ decides }) => decides).map((step) => step.do),
)

/** A step while it is filled in: all that any step can have. */
export type StepDraft = Required<Omit<StampStep, 'text' | 'labels'>> & { labels: string }

export const newStep = (kind: StepKind): StepDraft => ({
  do: kind,
  labels: '',
  line: kind === 'task' ? '{asked}; due in 3 days' : '',
  template: '',
  send: false,
  all: false,
  until: '',
  for: 'snooze',
  to: '',
  what: '',
  list: '',
})

/** Steps as they are filled in, from those of a stamp. */
export const draftOf = (step: StampStep): StepDraft => ({
  ...newStep(step.do),
  line: step.line ?? '',
  template: step.template ?? '',
  send: step.send ?? false,
  all: step.all ?? false,
  until: step.until ?? '',
  for: step.for ?? 'snooze',
  to: step.to ?? '',
  what: step.what ?? '',
  list: step.list ?? '',
  labels: (step.labels ?? []).join(', '),
})

/** What of it belongs to a step of its kind. */
export function stepOf(draft: StepDraft): StampStep {
  const { line, template, send, all, until, to, what, list } = draft
  switch (draft.do) {
    case 'label':
    case 'unlabel':
      return {
        do: draft.do,
        labels: draft.labels
          .split(',')
          .map((name) => name.trim())
          .filter(Boolean),
      }
    case 'list':
      return { do: 'list', list }
    case 'answer':
      return { do: 'answer', template, send, all }
    case 'task':
      return { do: 'task', line }
    case 'snooze':
      return draft.for === 'next_clearing'
        ? { do: 'snooze', for: draft.for }
        : { do: 'snooze', until, for: draft.for }
    case 'hand_over':
      return { do: 'hand_over', to, what, until }
    default:
      return { do: draft.do }
  }
}

/** What can still be added: no second decision, and no second answer. */
export const addable = (steps: StepDraft[]) =>
  STEPS.filter(({ do: kind, decides }) =>
    decides
      ? !steps.some((step) => DECISIONS.has(step.do))
      : kind === 'label' || kind === 'unlabel' || kind === 'list' || !steps.some((step) => step.do === kind),
  )

/** The digits that no other stamp has. */
export const freeKeys = (stamps: { id: string; key: number | null }[], own: string): number[] =>
  [1, 2, 3, 4, 5, 6, 7, 8, 9].filter((key) => !stamps.some((one) => one.key === key && one.id !== own))
