import { computed } from 'vue'
import type { ConversationRow, TaskProposal } from '@/shared/api/client'
import { proposalsOf, useProposals } from '@/features/tasks'

/**
 * What tasks of conversations would be. Above a list they are not known whole: there it is asked for when it is needed.
 */
export function useProposing(
  props: { rows: ConversationRow[]; bar?: boolean; proposal?: TaskProposal | null | undefined },
  isWanted: () => boolean,
) {
  const ids = computed(() => props.rows.map(({ id }) => id))
  const { data, isFetching } = useProposals(ids, () => !!props.bar && isWanted() && ids.value.length > 0)
  const known = computed(() => new Map(data.value?.map((one) => [one.conversation, one.proposal])))

  return {
    /** Of the only one, as far as it is known */
    proposal: computed(() => {
      const [row] = props.rows
      return props.proposal ?? (props.rows.length === 1 && row ? known.value.get(row.id) : null)
    }),
    isAsking: computed(() => !!props.bar && !data.value && isFetching.value),
    /** Of all of them, by conversation; what cannot be asked for is made without. */
    proposals: async () =>
      data.value
        ? known.value
        : new Map(
            (await proposalsOf(ids.value).catch(() => [])).map((one) => [one.conversation, one.proposal]),
          ),
  }
}
