import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { byCompletion, byDate } from './groups'
import { useTree } from './tree'
import { useLists } from '@/shared/api/lists'
import { useTasks, useTaskTree, type TaskFilter } from './queries'

export const ORDERS = [
  { value: 'date', text: 'By date' },
  { value: 'list', text: 'By list' },
  { value: 'done', text: 'Done' },
]

/** The tasks that the view shows: by date, by list or done, as far as the filter lets them through. */
export function useTaskList() {
  const route = useRoute()
  const order = computed(() => String(route.query.by ?? 'date'))
  const { data: lists } = useLists()
  const listId = computed(
    () => String(route.query.list ?? '') || (lists.value?.find(({ archived }) => !archived)?.id ?? ''),
  )
  const list = computed(() => lists.value?.find(({ id }) => id === listId.value))

  const words = ref('')
  const sought = ref('')
  watch(
    words,
    useDebounceFn(() => (sought.value = words.value), 200),
  )
  const filter = ref<Omit<TaskFilter, 'words'>>({ list: '', label: '', priority: '' })
  const isByList = computed(() => order.value === 'list')
  const isDone = computed(() => order.value === 'done')
  const wanted = computed<TaskFilter>(() => ({
    ...filter.value,
    ...(isByList.value ? { list: listId.value } : {}),
    words: sought.value,
  }))

  const some = useTasks(
    () => ({ ...wanted.value, state: isDone.value ? ('done' as const) : ('open' as const) }),
    () => !isByList.value,
  )
  const all = useTaskTree(wanted, () => isByList.value && !!listId.value)
  const later = useTasks(
    () => ({ ...wanted.value, state: 'waiting' as const }),
    () => !isDone.value,
  )
  /** Of a list that there is not there is nothing. */
  const data = computed(() =>
    isByList.value ? (lists.value && !listId.value ? [] : all.data.value) : some.tasks.value,
  )
  const tasks = computed(() => data.value ?? [])
  const groups = computed(() => (isDone.value ? byCompletion(tasks.value) : byDate(tasks.value)))
  /** Both lists are asked for apart, and for a moment both can hold a task that has begun meanwhile; it stands in one place. */
  const ahead = computed(() => {
    if (isDone.value) return []
    const begun = new Set(tasks.value.map(({ id }) => id))
    return (later.tasks.value ?? []).filter(({ id }) => !begun.has(id))
  })
  const unfolded = ref(false)
  const tree = useTree(computed(() => (isByList.value ? tasks.value : [])))
  const isFiltered = computed(() => {
    const { list: ofList, label, priority } = filter.value
    return [sought.value, ofList, label, priority].some(Boolean)
  })

  return {
    order,
    lists,
    listId,
    list,
    words,
    filter,
    isFiltered,
    data,
    error: computed(() => (isByList.value ? all.error.value : some.error.value)),
    refetch: () => (isByList.value ? all.refetch() : some.refetch()),
    tasks,
    groups,
    /** What is shown, without what is not to begin yet, and how much there is in all. */
    some,
    ahead,
    later,
    unfolded,
    /** Until all is there that stands in the rows. */
    whole: async (): Promise<void> => {
      if (!isByList.value) await some.whole()
      if (unfolded.value && !isDone.value) await later.whole()
    },
    tree,
    /** In the order in which they stand on screen. */
    rows: computed(() => [
      ...(order.value === 'list'
        ? tree.leaves.value.map(({ task }) => task)
        : groups.value.flatMap((group) => group.tasks)),
      ...(unfolded.value ? ahead.value : []),
    ]),
  }
}
