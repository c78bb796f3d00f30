<script setup lang="ts">
import { computed, nextTick, reactive, ref, toRef } from 'vue'
import type { Task, TaskRow } from '@/shared/api/client'
import { dueTab } from '@/shared/time/due'
import { useKeys } from '@/shared/keys/registry'
import { useTyped } from '@/shared/typing/kept'
import IndexTab from '@/ui/IndexTab.vue'
import { attempt } from '@/shared/notice'
import { offerList } from './paste'
import { orderKeys, useTree } from './tree'
import { useTaskSteps } from './steps'
import { LinkButton, TextInput, TickBox } from '@/ui/kit'

/** What lies under a task: to check off, to open, to add to. */
const props = defineProps<{ task: Task }>()
defineEmits<{ check: [task: TaskRow] }>()

const { makeTasks, moveTasks } = useTaskSteps()
const tree = useTree(computed(() => props.task.subtasks))
const { leaves } = tree
const field = ref<{ focus: () => void }>()

/** The one that stands so far from this one takes the focus; below the last stands the field for a new one. */
function step(event: KeyboardEvent, sub: TaskRow, by: number): void {
  const next = leaves.value[leaves.value.findIndex(({ id }) => id === sub.id) + by]
  event.preventDefault()
  event.stopPropagation()
  if (next) focus(next.id)
  else if (by > 0) field.value?.focus()
}
const focus = (id: string) => document.querySelector<HTMLElement>(`[data-subtask="${id}"]`)?.focus()
const toLast = () => leaves.value.length && focus(leaves.value.at(-1)?.id ?? '')

/** The keys of the order, as among tasks: up, down, under the one above, out again. */
async function move(event: KeyboardEvent, sub: TaskRow, depth: number): Promise<void> {
  const name = `Ctrl+${event.key}`
  const order = orderKeys(tree).find(({ key }) => key === name)
  if (!order || !event.ctrlKey) return
  event.preventDefault()
  event.stopPropagation()
  const spot = name === 'Ctrl+ArrowLeft' && depth === 0 ? null : order.spot(sub)
  if (!spot || !(await attempt(() => moveTasks([sub.id], spot)))) return
  await nextTick()
  focus(sub.id)
}
useKeys('The opened task', [
  {
    key: '/',
    label: 'Add a subtask',
    when: () => !props.task.row.completedAt,
    run: () => field.value?.focus(),
  },
])
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
      <TickBox
        :model-value="!!sub.completedAt"
        :aria-label="`${sub.completedAt ? 'Open again' : 'Complete'}: ${sub.title}`"
        @click.prevent="$emit('check', sub)"
      />
      <router-link
        class="plain"
        :class="{ done: sub.completedAt }"
        :to="{ name: 'tasks', params: { id: sub.id }, query: $route.query }"
        :data-subtask="sub.id"
        title="Ctrl+↑ ↓ moves it; Ctrl+→ lays it under the one above, Ctrl+← out again; Space completes it"
        @keydown="move($event, sub, depth)"
        @keydown.down.exact="step($event, sub, 1)"
        @keydown.up.exact="step($event, sub, -1)"
        @keydown.space.exact.prevent.stop="$emit('check', sub)"
        >{{ sub.title }}</router-link
      >
      <IndexTab v-if="tab(sub)" :near="tab(sub)?.near ?? 'far'">{{ tab(sub)?.text }}</IndexTab>
    </li>
  </ul>
  <form v-if="!task.row.completedAt" @submit.prevent="add">
    <TextInput
      ref="field"
      v-model="title"
      class="new"
      placeholder="Add a subtask ( / )"
      aria-label="Add a subtask"
      maxlength="400"
      @keydown.up.exact.prevent.stop="toLast"
      @paste="offerList($event, { parent: task.row.id })"
    />
    <LinkButton v-if="title.trim()" type="submit">Add</LinkButton>
  </form>
</template>

<style scoped>
h3 {
  font-size: var(--type-note);
  color: var(--v-slate);
  margin: 16px 0 4px;
}

ul {
  margin: 0 -28px 0 0;
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
