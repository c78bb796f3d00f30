<script setup lang="ts">
import { mdiAutorenew, mdiBellOutline, mdiChevronRight, mdiDragVertical, mdiPaperclip } from '@mdi/js'
import { computed } from 'vue'
import type { TaskRow } from '@/shared/api/client'
import { dueTab } from '@/shared/time/due'
import { dateOf, day, nearDay } from '@/shared/time/format'
import { shortSpan } from '@/shared/time/span'
import IndexTab from '@/ui/IndexTab.vue'
import LabelWord from '@/ui/LabelWord.vue'
import { counted } from '@/shared/words'
import ListWord from '@/ui/ListWord.vue'
import { PlainButton, TickBox } from '@/ui/kit'

/** A task in a list: to check off, to open, to move. */
const props = defineProps<{
  task: TaskRow
  current?: boolean
  selected?: boolean
  /** The list is named by the heading already */
  listless?: boolean
  /** The day is named by the heading already */
  dayless?: boolean
  depth?: number
  /** It can be folded: how many lie under it */
  children?: number
  folded?: boolean
  /** Where something would go that is dropped here */
  drop?: 'before' | 'behind' | 'under' | null
}>()
defineEmits<{ check: []; select: [event: MouseEvent]; fold: [] }>()

const tab = computed(() => {
  const { due, over, completedAt } = props.task
  if (!due || completedAt) return null
  const full = dueTab(due, over)
  return props.dayless && !over ? { ...full, text: due.time ?? 'any time' } : full
})

const facts = computed(() => {
  const { task } = props
  const { open, done } = task.subtasks
  return [
    task.parent && props.depth === undefined ? `part of ${task.parent.title}` : '',
    props.listless && task.list.stage ? `at ${task.list.stage}` : '',
    task.waiting && task.start ? `starts ${nearDay(task.start.date)}` : '',
    task.priority === 'normal' ? '' : `${task.priority} priority`,
    task.source ? `from ${task.source.who}` : '',
    open + done ? `${done} of ${open + done} done` : '',
    task.estimate ? shortSpan(task.estimate) : '',
    task.completedAt ? `done ${day(dateOf(task.completedAt))}` : '',
  ].filter(Boolean)
})
</script>

<template>
  <li
    class="task"
    :class="[{ current, selected, done: task.completedAt, high: task.priority === 'high' }, drop ?? '']"
    :style="{ '--depth': depth ?? 0 }"
    :draggable="!task.completedAt"
  >
    <PlainButton
      class="grip"
      :aria-label="`Select ${task.title}`"
      :aria-pressed="selected ?? false"
      tabindex="-1"
      title="Click to select, drag to move"
      @click="$emit('select', $event)"
    >
      <v-icon :icon="mdiDragVertical" size="18" />
    </PlainButton>
    <span v-if="depth !== undefined && !children" class="fold" />
    <PlainButton
      v-else-if="children"
      class="fold"
      :class="{ folded }"
      :aria-label="folded ? `Unfold ${task.title}` : `Fold ${task.title}`"
      :aria-expanded="!folded"
      tabindex="-1"
      @click="$emit('fold')"
    >
      <v-icon :icon="mdiChevronRight" size="18" />
    </PlainButton>
    <TickBox
      :model-value="!!task.completedAt"
      :aria-label="`${task.completedAt ? 'Open again' : 'Complete'}: ${task.title}`"
      @click.prevent="$emit('check')"
    />
    <router-link
      class="plain body"
      :to="{ name: 'tasks', params: { id: task.id }, query: $route.name === 'tasks' ? $route.query : {} }"
      :data-task="task.id"
      draggable="false"
    >
      <span class="title">{{ task.title }}</span>
      <span
        v-if="facts.length || task.labels.length || task.repeat || task.reminders || task.files"
        class="slate sub"
      >
        {{ facts.join(', ') }}
        <LabelWord v-for="label in task.labels" :key="label.id" class="label" :label="label" />
        <v-icon
          v-if="task.repeat"
          :icon="mdiAutorenew"
          size="14"
          :aria-label="`Repeats ${task.repeat}`"
          role="img"
        />
        <v-icon
          v-if="task.reminders && !task.completedAt"
          :icon="mdiBellOutline"
          size="14"
          :aria-label="counted(task.reminders, 'reminder')"
          role="img"
        />
        <v-icon
          v-if="task.files"
          :icon="mdiPaperclip"
          size="14"
          :aria-label="counted(task.files, 'file')"
          role="img"
        />
      </span>
    </router-link>
    <ListWord v-if="!listless" class="slate list" :list="task.list" />
    <IndexTab v-if="tab" :near="tab.near">{{ tab.text }}</IndexTab>
  </li>
</template>

<style scoped src="./task-line.css"></style>
