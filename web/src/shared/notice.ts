import { readonly, ref } from 'vue'
import type { Entry } from './api/client'
import { Problem } from './api/problem'

interface Notice {
  text: string
  /** The later entry that stands in the way of undoing */
  later: Entry | null
  /** What can be undone together with what stands in its way, and how many steps that are besides */
  through?: { entry: string; steps: number }
  /** Nothing went wrong: it goes by itself */
  isNews?: boolean
  /** What could not be decided, for one reason */
  undecided?: { names: string[]; reason: string }
}

/** Milliseconds for which news stays. */
const STAYS = 8_000

const current = ref<Notice | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined

/** What the person has to be told now, if anything. */
export const notice = readonly(current)

export function clearNotice(): void {
  clearTimeout(timer)
  current.value = null
}

export function tell(problem: unknown): void {
  clearTimeout(timer)
  current.value =
    problem instanceof Problem
      ? {
          text: problem.message,
          later: problem.later,
          ...(problem.undoing && problem.laterSteps
            ? { through: { entry: problem.undoing, steps: problem.laterSteps } }
            : {}),
        }
      : { text: 'Something went wrong on this page. Reload it and try again.', later: null }
  if (!(problem instanceof Problem)) console.error(problem)
}

/** Something that is good to know, and no trouble. */
export function say(text: string): void {
  clearTimeout(timer)
  current.value = { text, later: null, isNews: true }
  timer = setTimeout(() => current.value?.isNews && (current.value = null), STAYS)
}

/** What was taken for decided and is not: each is named, also when one comes after the other. */
export function tellUndecided(names: string[], problem: unknown): void {
  const reason = problem instanceof Problem ? problem.message : 'Something went wrong on this page.'
  const before = current.value?.undecided
  const all = [...(before?.reason === reason ? before.names : []), ...names]
  tell(problem)
  const quoted = all.map((name) => `“${name}”`)
  const listed =
    quoted.length > 1 ? `${quoted.slice(0, -1).join(', ')} and ${quoted.at(-1) ?? ''}` : quoted[0]
  const [are, lie] = all.length === 1 ? ['is', 'it lies'] : ['are', 'they lie']
  current.value = {
    text: `${listed ?? ''} ${are} not decided; ${lie} where ${all.length === 1 ? 'it was' : 'they were'}. ${reason}`,
    later: problem instanceof Problem ? problem.later : null,
    undecided: { names: all, reason },
  }
}

/** Runs something that may fail; says so when it does, and gives whether it worked. */
export async function attempt(work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work()
    if (!current.value?.isNews && !current.value?.undecided) clearNotice()
    return true
  } catch (problem) {
    tell(problem)
    return false
  }
}
