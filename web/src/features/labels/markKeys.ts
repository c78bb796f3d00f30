import type { ConversationRow } from '@/shared/api/client'
import type { Binding } from '@/shared/keys/registry'
import { attempt } from '@/shared/notice'
import { ALONG, BACK, useAlong } from '@/shared/steps/along'
import { counted } from '@/shared/words'
import { label, LABEL, LIST } from './slip'
import { useLabelSteps } from './steps'
import { UNREAD, useUnread } from './unread'

type Row = Pick<ConversationRow, 'id' | 'labels' | 'lists' | 'unread'>

/**
 * The keys that label conversations, put them into lists, move them along the stages there and make them unread again.
 *
 * @param meant those that are selected, or the current one
 * @param back the row has the focus again
 */
export function useMarkKeys(
  meant: () => Row[],
  back?: () => unknown,
): { keys: Binding[]; open: () => void; list: () => void; turn: () => void; move: (by: number) => void } {
  const { labelMail, listMail } = useLabelSteps()
  const turnUnread = useUnread()

  function open(): void {
    const rows = meant()
    const ids = rows.map(({ id }) => id)
    label({
      what: counted(ids.length, 'conversation'),
      borne: rows.map(({ labels }) => labels),
      put: (on, off) => labelMail(ids, on, off),
      closed: back,
    })
  }
  function list(): void {
    const rows = meant()
    const ids = rows.map(({ id }) => id)
    label({
      kind: 'list',
      what: counted(ids.length, 'conversation'),
      borne: rows.map(({ lists }) => lists),
      put: (into, outOf) => listMail(ids, into, outOf),
      closed: back,
    })
  }
  const { along } = useAlong()
  const move = (by: number) =>
    void attempt(() =>
      along(
        meant().map(({ id }) => ({ kind: 'conversation', id })),
        by,
      ),
    )
  const isStaged = () => meant().some(({ lists }) => lists.some(({ staged }) => staged))
  const turn = () => void attempt(() => turnUnread(meant()))
  const when = () => meant().length > 0

  return {
    open,
    list,
    turn,
    move,
    keys: [
      { key: LABEL, label: 'Label', opens: true, when, run: open },
      { key: LIST, label: 'Into a list, or out', opens: true, when, run: list },
      { key: UNREAD, label: 'Unread again, or read', when, run: turn },
      { key: ALONG, label: 'To the next stage', when: isStaged, run: () => move(1) },
      { key: BACK, label: 'Back to the stage before', when: isStaged, run: () => move(-1) },
    ],
  }
}
