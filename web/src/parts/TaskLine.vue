<script setup lang="ts">
import type { TaskRow } from '@/api/client'
import { day, dateOf } from '@/time/format'
import { dueTab } from '@/time/due'
import IndexTab from './IndexTab.vue'

defineProps<{
  task: TaskRow
  current?: boolean
  /** The list is named by the heading already */
  listless?: boolean
  /** The day is named by the heading already */
  dayless?: boolean
}>()
defineEmits<{ check: [] }>()

function tab(
  task: TaskRow,
  dayless: boolean,
): { text: string; near: 'over' | 'near' | 'soon' | 'far' } | null {
  if (!task.due || task.completedAt) return null
  const full = dueTab(task.due, task.over)
  return dayless && !task.over ? { ...full, text: task.due.time ?? 'any time' } : full
}
</script>

<template>
  <li class="task" :class="{ current, done: task.completedAt }">
    <input
      type="checkbox"
      :checked="!!task.completedAt"
      :aria-label="`${task.completedAt ? 'Open again' : 'Complete'}: ${task.title}`"
      @click.prevent="$emit('check')"
    />
    <router-link
      class="plain body"
      :to="{ name: 'tasks', params: { id: task.id }, query: $route.query }"
      :data-task="task.id"
    >
      <span class="title">{{ task.title }}</span>
      <span class="slate sub">
        <template v-if="task.source">from {{ task.source.who }}</template>
        <template v-else>written down</template>
        <template v-if="task.completedAt">, done {{ day(dateOf(task.completedAt)) }}</template>
      </span>
    </router-link>
    <span v-if="!listless" class="slate list">{{ task.list }}</span>
    <IndexTab v-if="tab(task, dayless ?? false)" :near="tab(task, dayless ?? false)?.near ?? 'far'">
      {{ tab(task, dayless ?? false)?.text }}
    </IndexTab>
    <span v-else class="no-tab" />
  </li>
</template>

<style scoped>
.task {
  display: grid;
  grid-template-columns: 17px minmax(0, 1fr) auto auto;
  gap: 14px;
  align-items: center;
  min-height: 51px;
  padding-left: 14px;
}

.task.current {
  background: var(--v-sea-soft);
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}

input {
  width: 17px;
  height: 17px;
  margin: 0;
  accent-color: rgb(var(--v-theme-primary));
  cursor: pointer;
}

.body {
  display: grid;
  padding: 6px 0;
  line-height: 1.35;
}

.body:focus-visible {
  outline-offset: -2px;
}

.title,
.sub {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.title {
  font-weight: 550;
}

.done .title {
  text-decoration: line-through;
  color: var(--v-slate);
}

.sub,
.list {
  font-size: 13.5px;
}

.list {
  max-width: 140px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.no-tab {
  width: 1px;
}

@media (max-width: 760px) {
  .task {
    grid-template-columns: 17px minmax(0, 1fr) auto;
    gap: 10px;
    padding-left: 10px;
  }

  .list {
    display: none;
  }

  .title {
    white-space: normal;
  }
}
</style>
