import { useRoute, useRouter } from 'vue-router'
import type { Entry } from './api/client'
import { useSession } from './api/session'
import { millisecondsUntil } from './time/clock'
import { attempt, say } from './notice'
import { lastStep, letGo } from './trail'
import { object } from './words'
import { useUndo } from '@/shared/steps/undo'

let undoing = Promise.resolve()

/** Taking back what was done in this window. */
export function useUndoing() {
  const { undo } = useUndo()
  const route = useRoute()
  const router = useRouter()
  const { account } = useSession()

  /** What was sent is a draft again, and is opened where it belongs. */
  async function undoIt(entry: Entry): Promise<void> {
    if (!(await attempt(() => undo(entry)))) return
    const isSent = entry.kind === 'send' || entry.kind === 'send_later'
    if (isSent && entry.outgoing && route.name !== 'clearing')
      await router.push({ name: 'write', params: { id: entry.outgoing } })
  }

  const isGone = ({ kind, at }: Entry) =>
    kind === 'send' && millisecondsUntil(at) / 1000 + (account.value?.settings.undoSeconds ?? 0) <= 0

  /**
   * What was decided a moment ago may still be on its way, and so may the undoing before this one. A letter that has
   * gone cannot be undone: that is said, and the step before it is undone.
   */
  async function undoNewest(): Promise<void> {
    const last = await lastStep()
    if (!last) return
    if (!isGone(last)) return undoIt(last)
    letGo(last)
    await undoNewest()
    say(`“${object(last)}” has gone out, and stays as it is.`)
  }

  return {
    undoIt,
    undoLast: (): void => {
      undoing = undoing.then(undoNewest)
    },
  }
}
