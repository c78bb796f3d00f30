import { computed, type Ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import type { TaskRow } from '@/shared/api/client'
import { type Spot } from './steps'

export interface Leaf {
  id: string
  task: TaskRow
  depth: number
  /** How many tasks lie directly under it here */
  children: number
}

const byRank = (a: TaskRow, b: TaskRow) => (a.rank < b.rank ? -1 : a.rank > b.rank ? 1 : a.id < b.id ? -1 : 1)

/** Tasks under one another in the person's own order; what lies under a folded one is left out. */
export function useTree(tasks: Ref<TaskRow[]>) {
  const folded = useLocalStorage<string[]>('zippy-tray.folded-tasks', [])

  const under = computed(() => {
    const there = new Set(tasks.value.map(({ id }) => id))
    const found = new Map<string, TaskRow[]>()
    for (const task of tasks.value) {
      // What a task is a part of may be filtered out; then it stands by itself.
      const key = task.parent && there.has(task.parent.id) ? task.parent.id : ''
      const beside = found.get(key)
      if (beside) beside.push(task)
      else found.set(key, [task])
    }
    for (const beside of found.values()) beside.sort(byRank)
    return found
  })

  const leaves = computed(() => {
    const found: Leaf[] = []
    const walk = (key: string, depth: number) => {
      for (const task of under.value.get(key) ?? []) {
        const children = under.value.get(task.id)?.length ?? 0
        found.push({ id: task.id, task, depth, children })
        if (children && !folded.value.includes(task.id)) walk(task.id, depth + 1)
      }
    }
    walk('', 0)
    return found
  })

  const siblings = (task: TaskRow) => under.value.get(task.parent?.id ?? '') ?? under.value.get('') ?? []

  /** The beginning of where a task stands. */
  const beginning = (task: TaskRow): Spot =>
    task.parent ? { parent: task.parent.id, first: true } : { list: task.list.id, first: true }

  return {
    leaves,
    isFolded: (task: TaskRow) => folded.value.includes(task.id),
    fold: (task: TaskRow) => {
      folded.value = folded.value.includes(task.id)
        ? folded.value.filter((id) => id !== task.id)
        : [...folded.value, task.id]
    },
    /** One place up or down among its like; null when it stands there already. */
    beside(task: TaskRow, by: 1 | -1): Spot | null {
      const all = siblings(task)
      const at = all.findIndex(({ id }) => id === task.id)
      const target = all[by > 0 ? at + 1 : at - 2]
      if (by > 0) return target ? { behind: target.id } : null
      return at < 1 ? null : target ? { behind: target.id } : beginning(task)
    },
    /** Under the one above it. */
    inward(task: TaskRow): Spot | null {
      const all = siblings(task)
      const above = all[all.findIndex(({ id }) => id === task.id) - 1]
      return above ? { parent: above.id } : null
    },
    /** Out of the one that it is a part of, to stand behind it. */
    outward: (task: TaskRow): Spot | null => (task.parent ? { behind: task.parent.id } : null),
    /** Where something goes that is dropped on a row: before it, behind it or under it. */
    dropped(task: TaskRow, where: 'before' | 'behind' | 'under'): Spot {
      if (where === 'under') return { parent: task.id }
      if (where === 'behind') return { behind: task.id }
      const all = siblings(task)
      const above = all[all.findIndex(({ id }) => id === task.id) - 1]
      return above ? { behind: above.id } : beginning(task)
    },
  }
}

/** The keys by which a task is moved in the person's own order. */
export const orderKeys = (tree: ReturnType<typeof useTree>) => [
  { key: 'Ctrl+ArrowUp', label: 'Move it up', spot: (task: TaskRow) => tree.beside(task, -1) },
  { key: 'Ctrl+ArrowDown', label: 'Move it down', spot: (task: TaskRow) => tree.beside(task, 1) },
  { key: 'Ctrl+ArrowRight', label: 'Under the one above', spot: tree.inward },
  { key: 'Ctrl+ArrowLeft', label: 'Out of what it is under', spot: tree.outward },
]
