<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { TaskList, TaskRow } from '@/shared/api/client'
import { toWhen, type Written } from '@/shared/api/when'
import { useCompleting } from './complete'
import { attempt } from '@/shared/notice'
import { putOff } from './putOff'
import { escape } from '@/shared/keys/registry'
import WhenField from '@/ui/WhenField.vue'
import { counted } from '@/shared/words'
import { useLabelling } from './labelling'
import { type TaskChange, useTaskSteps } from './steps'
import { ChoiceList, LinkButton } from '@/ui/kit'

/** What can be done with several tasks at once. */
const props = defineProps<{ tasks: TaskRow[]; lists: TaskList[] }>()
const emit = defineEmits<{ done: []; clear: []; left: [] }>()

const { changeTasks, deleteTasks } = useTaskSteps()
const { complete } = useCompleting()
const labelTasks = useLabelling()
const asking = ref<'due' | 'list' | 'priority' | null>(null)
const when = ref<Written>({ phrase: '', reading: null })
const field = ref<InstanceType<typeof WhenField>>()
const listChoice = ref<{ focus: () => void }>()
const priority = ref<{ focus: () => void }>()
const ids = computed(() => props.tasks.map(({ id }) => id))

async function run(work: () => Promise<unknown>): Promise<void> {
  if (await attempt(work)) {
    asking.value = null
    emit('done')
  }
}
const change = (more: TaskChange) => run(() => changeTasks(ids.value, more))

function date(): void {
  const to = toWhen(when.value)
  if (to) void change({ due: to })
}

async function unfold(what: typeof asking.value): Promise<void> {
  asking.value = asking.value === what ? null : what
  when.value = { phrase: '', reading: null }
  await nextTick()
  if (asking.value === 'due') field.value?.focus()
  if (what === 'list') listChoice.value?.focus()
  if (what === 'priority') priority.value?.focus()
}
const value = (event: Event) => (event.target as HTMLSelectElement).value
async function completeAll(): Promise<void> {
  if (await complete(ids.value)) emit('done')
}
function leave(): void {
  asking.value = null
  emit('left')
}
defineExpose({ unfold })
</script>

<template>
  <div class="bar" role="toolbar" :aria-label="`${counted(tasks.length, 'task')} selected`">
    <b>{{ counted(tasks.length, 'task') }}</b>
    <LinkButton v-keyed="'Escape'" @click="emit('clear')">Select none</LinkButton>
    <v-btn v-keyed="' '" size="small" color="primary" @click="completeAll">Complete</v-btn>
    <v-btn v-keyed="'0'" size="small" variant="outlined" @click="unfold('due')">Another due</v-btn>
    <v-btn v-keyed="'3'" size="small" variant="outlined" @click="putOff(tasks, () => emit('done'))"
      >Put off</v-btn
    >
    <ChoiceList
      ref="listChoice"
      v-keyed="'5'"
      model-value=""
      aria-label="Move to the list"
      @keydown.esc.stop="leave"
      @change="change({ list: value($event) })"
    >
      <option value="" disabled>To list …</option>
      <option v-for="list in lists" :key="list.id">{{ list.name }}</option>
    </ChoiceList>
    <v-btn v-keyed="'7'" size="small" variant="outlined" @click="labelTasks(tasks, () => emit('left'))"
      >Label</v-btn
    >
    <ChoiceList
      ref="priority"
      v-keyed="'8'"
      model-value=""
      aria-label="Set the priority"
      @keydown.esc.stop="leave"
      @change="change({ priority: value($event) as 'high' | 'normal' | 'low' })"
    >
      <option value="" disabled>Priority …</option>
      <option>high</option>
      <option>normal</option>
      <option>low</option>
    </ChoiceList>
    <v-btn v-keyed="'6'" size="small" variant="text" @click="run(() => deleteTasks(ids))">Delete</v-btn>
    <form v-if="asking === 'due'" class="ask" @submit.prevent="date" @keydown.esc="escape($event, leave)">
      <WhenField ref="field" v-model="when" label="Due" placeholder="friday, in 2 weeks …" />
      <v-btn type="submit" color="primary">Move</v-btn>
      <v-btn variant="text" @click="change({ undated: true })">No date</v-btn>
    </form>
  </div>
</template>

<style scoped>
.bar {
  position: sticky;
  top: 62px;
  z-index: 25;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
  padding: 8px 14px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid rgb(var(--v-theme-primary));
  border-radius: 9px;
  box-shadow: var(--shadow);
}

select {
  font: inherit;
  font-size: var(--type-note);
  padding: 3px 6px;
  color: inherit;
  background: none;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

.ask {
  flex: 1 0 100%;
  display: flex;
  gap: 8px;
  align-items: flex-start;
}

.ask > :first-child {
  flex: 0 1 320px;
}
</style>
