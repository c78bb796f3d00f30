<script setup lang="ts">
import { ref } from 'vue'
import type { TaskRow } from '@/shared/api/client'
import { beginDrag, dragged, endDrag } from '@/ui/drag'
import RowChunks from '@/ui/RowChunks.vue'
import TaskLine from './TaskLine.vue'
import type { useTree } from './tree'
import { type Spot } from './steps'

/** The tasks of a list in the person's own order, under one another; they are moved by dragging. */
const props = defineProps<{
  tree: ReturnType<typeof useTree>
  current: string | undefined
  selected: Set<string>
  meant: TaskRow[]
}>()
const emit = defineEmits<{
  check: [task: TaskRow]
  select: [task: TaskRow, range: boolean]
  reach: [task: TaskRow]
  move: [spot: Spot, task: TaskRow]
}>()

type Where = 'before' | 'behind' | 'under'
const target = ref<{ id: string; where: Where } | null>(null)

function over(event: DragEvent, task: TaskRow): void {
  const what = dragged.value
  if (what?.kind !== 'task' || what.tasks.some(({ id }) => id === task.id)) {
    target.value = null
    return
  }
  event.preventDefault()
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const at = (event.clientY - box.top) / box.height
  target.value = { id: task.id, where: at < 0.28 ? 'before' : at > 0.72 ? 'behind' : 'under' }
}

function drop(task: TaskRow): void {
  const [what, where] = [dragged.value, target.value?.where]
  endDrag()
  target.value = null
  const first = what?.kind === 'task' ? what.tasks[0] : undefined
  if (first && where) emit('move', props.tree.dropped(task, where), first as TaskRow)
}
</script>

<template>
  <RowChunks
    v-slot="{ row: { task, depth, children } }"
    :rows="tree.leaves.value"
    :current="current"
    tree
    label="Tasks in your order"
  >
    <TaskLine
      :task="task"
      :depth="depth"
      :children="children"
      :folded="tree.isFolded(task)"
      :current="task.id === current"
      :selected="selected.has(task.id)"
      :drop="target?.id === task.id ? target.where : null"
      listless
      role="treeitem"
      :aria-level="depth + 1"
      @check="emit('check', task)"
      @fold="tree.fold(task)"
      @select="(event) => emit('select', task, event.shiftKey)"
      @focusin="emit('reach', task)"
      @dragstart="beginDrag($event, { kind: 'task', tasks: selected.has(task.id) ? meant : [task] })"
      @dragend="(endDrag(), (target = null))"
      @dragover="over($event, task)"
      @drop.prevent="drop(task)"
    />
  </RowChunks>
</template>
