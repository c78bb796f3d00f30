import { onBeforeUnmount } from 'vue'
import { drop } from '@/shared/typing/kept'
import { attempt, say } from '@/shared/notice'
import type { useDraft, Waited } from './draft'
import { useUndo } from '@/shared/steps/undo'

/** Where it is kept that a draft waited to go out, until it is settled. */
export const waitedAt = (id: string): string => `waited:${id}`

/**
 * What becomes of a letter that waited to go out and was taken back: closed as it was, it waits again as it did.
 *
 * @param isItsMoment whether it is still to go when it was to
 */
export function useWaiting(
  draft: ReturnType<typeof useDraft>,
  waited: Waited | undefined,
  isItsMoment: () => boolean,
) {
  const { undo } = useUndo()
  let isOver = !waited

  function end(): void {
    if (!isOver) drop(waitedAt(draft.id))
    isOver = true
  }

  async function settle(): Promise<void> {
    if (isOver || !waited) return
    end()
    if (draft.isTouched() || !isItsMoment()) return say('It is a draft now, and goes out when you send it.')
    draft.end()
    if (await attempt(() => undo({ id: waited.entry }))) say('It was not changed, and goes out as it was to.')
  }
  onBeforeUnmount(() => void settle())

  return { settle, end }
}
