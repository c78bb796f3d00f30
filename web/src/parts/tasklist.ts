import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useLists, useTasks } from '@/api/reading'
import { byCompletion, byDate, matches, waiting, type TaskFilter } from './tasks'
import { useTree } from './tree'

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
  const filter = ref<TaskFilter>({ list: '', label: '', priority: '' })

  const query = useTasks(() => ({
    state: order.value === 'done' ? ('done' as const) : ('open' as const),
    words: sought.value,
    ...(order.value === 'list' && listId.value ? { list: listId.value } : {}),
  }))
  const tasks = computed(() => {
    const wanted = order.value === 'list' ? { ...filter.value, list: '' } : filter.value
    return (query.data.value ?? []).filter((task) => matches(task, wanted))
  })
  const groups = computed(() => (order.value === 'done' ? byCompletion(tasks.value) : byDate(tasks.value)))
  const ahead = computed(() => (order.value === 'done' ? [] : waiting(tasks.value)))
  const unfolded = ref(false)
  const tree = useTree(
    computed(() => (order.value === 'list' ? tasks.value.filter((task) => !task.waiting) : [])),
  )
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
    data: query.data,
    error: query.error,
    refetch: query.refetch,
    tasks,
    groups,
    ahead,
    unfolded,
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
