import { ref, type Ref } from 'vue'
import type { ConversationRow, Outline, TaskFields, TaskProposal, When } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import type { CardKind } from './cards'
import { doneAtOnce } from '@/features/clock'
import { asProposed, useTaskSteps } from '@/features/tasks'
import { attempt, tell, tellUndecided } from '@/shared/notice'
import { subjectOf } from '@/shared/words'
import { onScreen } from '@/shared/time/later'
import {
  claimOf,
  type DecisionDetails,
  type DecisionKind,
  type SnoozeFor,
  useDecideSteps,
} from '@/shared/steps/decide'

export interface Taking {
  rows: ConversationRow[]
  /** The message that a task comes from */
  message?: string | undefined
  clearing?: string | undefined
  /** Do not wait for the answer before going on; when it fails, say so */
  eager?: boolean | undefined
}

/** Which other conversations a decision takes along; what it takes in truth, the server says a moment later. */
export type Along = (row: ConversationRow) => boolean

/** Mail of who is blocked goes, what else of it waits, too. */
export function alongBlocked(rows: ConversationRow[], wholeDomain = false): Along {
  const emails = rows.map(({ email }) => email.toLowerCase())
  const domains = emails.map((email) => email.split('@').at(-1) ?? '')
  return ({ email }) => {
    const from = email.toLowerCase()
    return wholeDomain
      ? domains.some((domain) => !!domain && (from.endsWith(`@${domain}`) || from.endsWith(`.${domain}`)))
      : emails.includes(from)
  }
}

interface Going {
  decided: (along?: Along) => void
  /** The server has accepted what was taken for decided. */
  settled: (rows: ConversationRow[]) => void
  failed: (rows: ConversationRow[]) => void
}

/** Takes the decisions of the cards. */
export function useTaking(props: Taking, going: Going) {
  const { decide } = useDecideSteps()
  const { makeTasks } = useTaskSteps()
  const open = ref<CardKind | null>(null)
  const wrong = ref<Record<string, string>>({})

  /** Gives whether it was accepted. */
  async function run(work: () => Promise<unknown>, along?: Along): Promise<boolean> {
    const rows = props.rows
    if (!props.eager) {
      if (!(await attempt(work))) return false
      open.value = null
      going.decided()
      return true
    }
    open.value = null
    going.decided(along)
    try {
      await onScreen()
      await work()
      going.settled(rows)
      return true
    } catch (problem) {
      tellUndecided(rows.map(subjectOf), problem)
      going.failed(rows)
      return false
    }
  }

  const claims = () => props.rows.map(claimOf)
  const details = (more: DecisionDetails): DecisionDetails => ({
    ...more,
    ...(props.clearing ? { clearing: props.clearing } : {}),
  })

  const take = (kind: DecisionKind, more: DecisionDetails = {}) => {
    const [claimed, all] = [claims(), details(more)]
    const along =
      kind === 'block' ? alongBlocked(props.rows, 'wholeDomain' in more && more.wholeDomain) : undefined
    return run(async () => {
      await decide(kind, claimed, all)
      if (kind === 'do_now') for (const { id } of claimed) doneAtOnce(id)
    }, along)
  }

  /** For what is filled in: when it is refused, the form stays and says why. Gives whether it was accepted. */
  async function takeFilled(kind: DecisionKind, more: DecisionDetails): Promise<boolean> {
    if (props.eager) return take(kind, more)
    wrong.value = {}
    try {
      await decide(kind, claims(), details(more))
      open.value = null
      going.decided()
      return true
    } catch (problem) {
      if (problem instanceof Problem) wrong.value = { until: problem.message, ...problem.fields }
      if (!(problem instanceof Problem) || problem.status !== 422) tell(problem)
      return false
    }
  }

  /** Gives whether they were made; what was filled in for one that was not is still there when it is looked at again. */
  async function saveTasks(
    fields: TaskFields,
    subtasks: Outline[] = [],
    proposals = new Map<string, TaskProposal | null>(),
  ): Promise<boolean> {
    const [rows, message, clearing] = [props.rows, props.message, props.clearing]
    const single = rows.length === 1
    const tasks = rows.map((row) =>
      single
        ? { fields, subtasks, conversation: claimOf(row), ...(message ? { message } : {}) }
        : { ...asProposed(row, proposals.get(row.id), fields), conversation: claimOf(row) },
    )
    if (props.eager) return run(() => makeTasks(tasks, clearing))
    // The form says what is wrong.
    await makeTasks(tasks, clearing)
    open.value = null
    going.decided()
    return true
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
