import { ref, type Ref } from 'vue'
import type { ConversationRow, Outline, TaskFields, TaskProposal, When } from '@/api/client'
import { claimOf, useDeciding, type DecisionDetails, type DecisionKind, type SnoozeFor } from '@/api/deciding'
import { Problem } from '@/api/problem'
import type { CardKind } from './cards'
import { proposedDraft, type TaskDraft } from './draft'
import { attempt, tell } from './notice'

/** What was filled in for a task that could not be made, by conversation, so that it is not lost. */
const drafts = new Map<string, TaskDraft>()

export interface Taking {
  rows: ConversationRow[]
  /** The message that a task comes from */
  message?: string | undefined
  clearing?: string | undefined
  /** Do not wait for the answer before going on; when it fails, say so */
  eager?: boolean | undefined
}

/** Takes the decisions of the cards. */
export function useTaking(
  props: Taking,
  going: { decided: () => void; failed: (rows: ConversationRow[]) => void },
) {
  const { decide, makeTasks } = useDeciding()
  const open = ref<CardKind | null>(null)
  const wrong = ref<Record<string, string>>({})

  async function run(work: () => Promise<unknown>): Promise<void> {
    const rows = props.rows
    if (props.eager) {
      open.value = null
      going.decided()
      if (!(await attempt(work))) going.failed(rows)
    } else if (await attempt(work)) {
      open.value = null
      going.decided()
    }
  }

  const claims = () => props.rows.map(claimOf)
  const details = (more: DecisionDetails): DecisionDetails => ({
    ...more,
    ...(props.clearing ? { clearing: props.clearing } : {}),
  })

  const take = (kind: DecisionKind, more: DecisionDetails = {}) => {
    const [claimed, all] = [claims(), details(more)]
    return run(() => decide(kind, claimed, all))
  }

  /** For what is filled in: when it is refused, the form stays and says why. */
  async function takeFilled(kind: DecisionKind, more: DecisionDetails): Promise<void> {
    if (props.eager) return take(kind, more)
    wrong.value = {}
    try {
      await decide(kind, claims(), details(more))
      open.value = null
      going.decided()
    } catch (problem) {
      if (problem instanceof Problem) wrong.value = { until: problem.message, ...problem.fields }
      if (!(problem instanceof Problem) || problem.status !== 422) tell(problem)
    }
  }

  async function saveTasks(fields: TaskFields, draft: TaskDraft, subtasks: Outline[] = []): Promise<void> {
    const [rows, message, clearing] = [props.rows, props.message, props.clearing]
    const single = rows.length === 1
    const tasks = rows.map((row) => ({
      fields: single ? fields : { ...fields, title: row.subject || 'Look at the mail without a subject' },
      conversation: claimOf(row),
      ...(single && message ? { message } : {}),
      ...(single ? { subtasks } : {}),
    }))
    if (!props.eager) {
      await makeTasks(tasks, clearing)
      open.value = null
      going.decided()
      return
    }
    const [row] = rows
    await run(async () => {
      try {
        await makeTasks(tasks, clearing)
        if (row) drafts.delete(row.id)
      } catch (problem) {
        if (row) drafts.set(row.id, draft)
        throw problem
      }
    })
  }

  return {
    open: open as Ref<CardKind | null>,
    wrong,
    take,
    saveTasks,
    snooze: (until: When | undefined, what: SnoozeFor) =>
      takeFilled('snooze', { ...(until ? { until } : {}), for: what }),
    handOver: (by: string, what: string, until: When) => takeFilled('hand_over', { by, what, until }),
    unfold(kind: CardKind): void {
      open.value = open.value === kind ? null : kind
      wrong.value = {}
    },
  }
}

/** What a task starts with: what was filled in before, or what is advised, or the subject. */
export function firstDraft(row: ConversationRow | undefined, proposal?: TaskProposal | null): TaskDraft {
  const kept = row && drafts.get(row.id)
  return kept ?? proposedDraft(proposal, row?.subject ?? '')
}
