import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Mailbox } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { comingOf, paceOf, sampled, type Sample } from './pace'

/** Milliseconds between two looks at how it stands: while something happens, and otherwise. */
const SOON = 2000
const SELDOM = 30_000

const isMoving = (one: Mailbox) =>
  !one.paused && (one.waiting > 0 || ['looking', 'coming', 'reading'].includes(comingOf(one)))

/** What was still to come in of each mailbox, at the last moments; all that show it see the same. */
const samples = ref<Record<number, Sample[]>>({})

/** The mailboxes on mail servers, how it stands with them, and what can be done about it. */
export function useMailboxes() {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: ['mailboxes'],
    queryFn: ({ signal }) => answer(api.GET('/mailboxes', { signal })),
    // The program comes to it by itself.
    refetchInterval: ({ state }) => (state.data?.mailboxes.some(isMoving) ? SOON : SELDOM),
  })
  const all = computed(() => query.data.value?.mailboxes ?? [])
  watch(query.dataUpdatedAt, (at) => {
    for (const { number, wanted } of all.value) {
      const before = samples.value[number] ?? []
      if (before.at(-1)?.at !== at) samples.value[number] = sampled(before, { at, left: wanted })
    }
  })
  const set = ({ mailboxes }: { mailboxes: Mailbox[] }) => queries.setQueryData(['mailboxes'], { mailboxes })
  const path = (number: number) => ({ path: { number } })
  return {
    ...query,
    all,
    set,
    pace: (number: number) => paceOf(samples.value[number] ?? []),
    look: () =>
      attempt(async () => {
        await answer(api.POST('/mailboxes/looks', {}))
        await query.refetch()
      }),
    takeOlder: (number: number, takesOlder: boolean) =>
      attempt(async () => {
        set(
          await answer(api.PUT('/mailboxes/{number}/coming', { params: path(number), body: { takesOlder } })),
        )
      }),
    giveUp: (number: number, trouble: number) =>
      attempt(async () => {
        set(
          await answer(
            api.DELETE('/mailboxes/{number}/troubles/{trouble}', { params: { path: { number, trouble } } }),
          ),
        )
      }),
    disconnect: (number: number) =>
      attempt(async () => {
        set(await answer(api.DELETE('/mailboxes/{number}', { params: path(number) })))
      }),
    archiveOlder: async (number: number, archiveThere: boolean) => {
      set(
        await answer(api.POST('/mailboxes/{number}/older', { params: path(number), body: { archiveThere } })),
      )
    },
  }
}
