import { readonly, ref } from 'vue'
import type { Entry } from '@/api/client'
import { Problem } from '@/api/problem'

interface Notice {
  text: string
  /** The later entry that stands in the way of undoing */
  later: Entry | null
}

const current = ref<Notice | null>(null)

/** What the person has to be told now, if anything. */
export const notice = readonly(current)

export function clearNotice(): void {
  current.value = null
}

export function tell(problem: unknown): void {
  current.value =
    problem instanceof Problem
      ? { text: problem.message, later: problem.later }
      : { text: 'Something went wrong on this page. Reload it and try again.', later: null }
  if (!(problem instanceof Problem)) console.error(problem)
}

/** Runs something that may fail; says so when it does, and gives whether it worked. */
export async function attempt(work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work()
    current.value = null
    return true
  } catch (problem) {
    tell(problem)
    return false
  }
}
