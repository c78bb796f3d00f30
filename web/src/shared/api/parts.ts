import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { until } from '@vueuse/core'
import { computed, nextTick, type MaybeRefOrGetter } from 'vue'

/** A long list that comes in parts, one after the other as far as somebody looks. */
export function useParts<Part extends { next: string | null }>(
  key: unknown[],
  ask: (after: string, signal: AbortSignal) => Promise<Part>,
  enabled: MaybeRefOrGetter<boolean> = true,
) {
  const query = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ signal, pageParam }) => ask(pageParam, signal),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
    enabled,
    placeholderData: keepPreviousData,
  })
  /** The next part, unless it is on its way, or all is there. */
  async function more(): Promise<void> {
    if (!query.hasNextPage.value || query.isFetchingNextPage.value) return
    const { error } = await query.fetchNextPage()
    if (error) throw error
  }
  return {
    parts: computed(() => query.data.value?.pages),
    error: query.error,
    refetch: query.refetch,
    hasMore: query.hasNextPage,
    more,
    /** All that is still to come, or until what is wanted is there. */
    whole: async (isEnough: () => boolean = () => false): Promise<void> => {
      // What is shown until the first part comes is not what is asked for.
      await until(() => query.isPlaceholderData.value && query.isFetching.value).toBe(false)
      while (query.hasNextPage.value && !isEnough()) {
        const { error } = await query.fetchNextPage()
        if (error) throw error
        await nextTick()
      }
    },
  }
}
export type Parts = Pick<ReturnType<typeof useParts>, 'hasMore' | 'more' | 'whole'>

/** What has come in several parts. A thing that was moved from one to the next while they were asked for stands in it once. */
export const together = <T extends { id: string }>(lists: T[][] | undefined): T[] => [
  ...new Map((lists ?? []).flat().map((one) => [one.id, one])).values(),
]
