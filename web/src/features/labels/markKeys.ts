import type { ConversationRow } from '@/shared/api/client'
import type { Binding } from '@/shared/keys/registry'
import { attempt } from '@/shared/notice'
import { counted } from '@/shared/words'
import { label, LABEL } from './slip'
import { useLabelSteps } from './steps'
import { UNREAD, useUnread } from './unread'

type Row = Pick<ConversationRow, 'id' | 'labels' | 'unread'>

/**
 * The keys that label conversations and make them unread again.
 *
 * @param meant those that are selected, or the current one
 * @param back the row has the focus again
 */
export function useMarkKeys(
  meant: () => Row[],
  back?: () => unknown,
): { keys: Binding[]; open: () => void; turn: () => void } {
  const { labelMail } = useLabelSteps()
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
  const turn = () => void attempt(() => turnUnread(meant()))
  const when = () => meant().length > 0

  return {
    open,
    turn,
    keys: [
      { key: LABEL, label: 'Label', opens: true, when, run: open },
      { key: UNREAD, label: 'Unread again, or read', when, run: turn },
    ],
  }
}
