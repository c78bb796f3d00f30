<script setup lang="ts">
import { computed, reactive, toRef } from 'vue'
import type { Task, TaskRow } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { dueTab } from '@/time/due'
import { useTyped } from '@/typing/kept'
import IndexTab from './IndexTab.vue'
import { attempt } from './notice'
import { offerList } from './pasting'
import { useTree } from './tree'

/** What lies under a task: to check off, to open, to add to. */
const props = defineProps<{ task: Task }>()
defineEmits<{ check: [task: TaskRow] }>()

const { makeTasks } = useDeciding()
const { leaves } = useTree(computed(() => props.task.subtasks))
const typed = reactive({ title: '' })
const { accept } = useTyped(`subtask:${props.task.row.id}`, typed)
const title = toRef(typed, 'title')

async function add(): Promise<void> {
  const wanted = title.value.trim()
  if (!wanted) return
  // Who adds one after the other does not wait; what is refused comes back.
  title.value = ''
  if (await attempt(() => makeTasks([{ fields: { title: wanted, notes: '' }, parent: props.task.row.id }])))
    accept()
  else title.value = [wanted, title.value].filter(Boolean).join(' ')
}
const tab = (task: TaskRow) => (task.due && !task.completedAt ? dueTab(task.due, task.over) : null)
</script>

<template>
  <h3>Subtasks</h3>
  <ul v-if="leaves.length">
    <li v-for="{ task: sub, depth } in leaves" :key="sub.id" :style="{ paddingLeft: `${depth * 22}px` }">
      <input
        type="checkbox"
        :checked="!!sub.completedAt"
        :aria-label="`${sub.completedAt ? 'Open again' : 'Complete'}: ${sub.title}`"
        @click.prevent="$emit('check', sub)"
      />
      <router-link
        class="plain"
        :class="{ done: sub.completedAt }"
        :to="{ name: 'tasks', params: { id: sub.id }, query: $route.query }"
        >{{ sub.title }}</router-link
      >
      <IndexTab v-if="tab(sub)" :near="tab(sub)?.near ?? 'far'">{{ tab(sub)?.text }}</IndexTab>
    </li>
  </ul>
  <form v-if="!task.row.completedAt" @submit.prevent="add">
    <input
      v-model="title"
      class="new"
      placeholder="Add a subtask"
      aria-label="Add a subtask"
      maxlength="400"
      @paste="offerList($event, { parent: task.row.id })"
    />
    <button v-if="title.trim()" class="link" type="submit">Add</button>
  </form>
</template>

<style scoped>
h3 {
  font-size: 14px;
  color: var(--v-slate);
  margin: 16px 0 4px;
}

ul {
  margin: 0 -28px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 31px;
}

li a {
  flex: 1;
  min-width: 0;
  padding: 3px 0;
  overflow-wrap: anywhere;
}

.done {
  text-decoration: line-through;
  color: var(--v-slate);
}

li input {
  flex: none;
  width: 16px;
  height: 16px;
  margin: 0;
  accent-color: rgb(var(--v-theme-primary));
}

form {
  display: flex;
  gap: 10px;
}

.new {
  flex: 1;
  padding: 4px 0;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px dashed var(--v-edge);
}

.new:focus {
  outline: none;
  border-bottom-color: rgb(var(--v-theme-primary));
}
</style>
