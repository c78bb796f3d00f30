<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TaskRow } from '@/shared/api/client'
import { toWhen, type Written } from '@/shared/api/when'
import { beginDrag, endDrag } from '@/ui/drag'
import { attempt } from '@/shared/notice'
import RowChunks from '@/ui/RowChunks.vue'
import TaskLine from './TaskLine.vue'
import type { TaskGroup } from './groups'
import WhenField from '@/ui/WhenField.vue'
import { useTaskSteps } from './steps'
import { LinkButton } from '@/ui/kit'

/** Tasks under one heading each: how near they are, or when they were done. */
const props = defineProps<{
  groups: TaskGroup[]
  current: string | undefined
  selected: Set<string>
  meant: TaskRow[]
  byCompletion?: boolean
  plain?: boolean
}>()
const emit = defineEmits<{
  check: [task: TaskRow]
  select: [task: TaskRow, range: boolean]
  reach: [task: TaskRow]
  /** All that is overdue is wanted, more than may be there */
  whole: []
}>()

const above = computed(() => {
  let sum = 0
  return props.groups.map(({ tasks }) => (sum += tasks.length) - tasks.length)
})
const among = computed(() => props.groups.reduce((sum, { tasks }) => sum + tasks.length, 0))
const { changeTasks } = useTaskSteps()
const moving = ref(false)
const to = ref<Written>({ phrase: 'today', reading: null })

function unfold(): void {
  moving.value = !moving.value
  if (moving.value) emit('whole')
}

/** All that is overdue, at once. */
async function moveAll(tasks: TaskRow[]): Promise<void> {
  const due = toWhen(to.value)
  if (!due) return
  const ids = tasks.map(({ id }) => id)
  if (await attempt(() => changeTasks(ids, { due }))) moving.value = false
}
</script>

<template>
  <section
    v-for="(group, index) in groups"
    :key="group.key"
    class="stretch"
    :class="{ plain: plain || byCompletion }"
  >
    <h2 v-if="group.head" :class="{ over: group.over }">
      {{ group.head }} <small>{{ group.sub }}</small>
      <LinkButton v-if="group.over" :aria-expanded="moving" @click="unfold"> Move all … </LinkButton>
    </h2>
    <div class="held">
      <form v-if="group.over && moving" class="moving" @submit.prevent="moveAll(group.tasks)">
        <WhenField v-model="to" label="Move all that is overdue to" />
        <v-btn type="submit" color="primary">Move {{ group.tasks.length }}</v-btn>
        <v-btn variant="text" @click="moving = false">Cancel</v-btn>
      </form>
      <RowChunks
        v-slot="{ row: task }"
        :rows="group.tasks"
        :current="current"
        :among="among"
        :above="above[index] ?? 0"
      >
        <TaskLine
          :task="task"
          :current="task.id === current"
          :selected="selected.has(task.id)"
          :dayless="group.key === 'today' || group.key === 'tomorrow'"
          @check="emit('check', task)"
          @select="(event) => emit('select', task, event.shiftKey)"
          @focusin="emit('reach', task)"
          @dragstart="beginDrag($event, { kind: 'task', tasks: selected.has(task.id) ? meant : [task] })"
          @dragend="endDrag"
        />
      </RowChunks>
    </div>
  </section>
</template>

<style scoped>
.stretch {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 14px;
  margin-bottom: 12px;
}

h2 {
  margin: 11px 0 0;
  font-size: var(--type-lead);
  font-weight: 600;
  line-height: 1.25;
  text-align: right;
}

small,
h2 .link {
  display: block;
  margin-left: auto;
  font-size: var(--type-small);
  font-weight: 500;
}

small {
  color: var(--v-slate);
}

.over {
  color: rgb(var(--v-theme-error));
}

.moving {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  margin-bottom: 10px;
}

.moving > :first-child {
  flex: 0 1 320px;
}

.plain {
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
}

.plain h2 {
  margin-top: 2px;
  font-size: var(--type-text);
  text-align: left;
}

@media (max-width: 760px) {
  .stretch {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }

  h2 {
    display: flex;
    gap: 10px;
    align-items: baseline;
    margin-top: 4px;
    text-align: left;
  }

  h2 .link {
    margin-left: auto;
  }

  small {
    margin-left: 0;
  }
}
</style>
