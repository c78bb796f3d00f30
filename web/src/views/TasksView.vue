<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { TaskFields, TaskRow } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { useTasks } from '@/api/reading'
import { useKeys } from '@/keys/registry'
import DayStretch from '@/parts/DayStretch.vue'
import EmptyState from '@/parts/EmptyState.vue'
import FailedState from '@/parts/FailedState.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import { attempt } from '@/parts/notice'
import { byDate, byList } from '@/parts/tasks'
import TaskForm from '@/parts/TaskForm.vue'
import TaskLine from '@/parts/TaskLine.vue'
import TaskSheet from '@/parts/TaskSheet.vue'

const props = defineProps<{ id?: string }>()
const route = useRoute()
const router = useRouter()
const { makeTasks, setTaskDone } = useDeciding()

const order = computed(() => String(route.query.by ?? 'date'))
const { data, error, refetch } = useTasks(() => (order.value === 'done' ? 'done' : 'open'))
const tasks = computed(() => data.value ?? [])
const groups = computed(() => (order.value === 'date' ? byDate(tasks.value) : byList(tasks.value)))
const shown = computed(() => groups.value.flatMap((group) => group.tasks))
const adding = ref(false)
const sheet = ref<InstanceType<typeof TaskSheet>>()

const orders = [
  { value: 'date', text: 'By date' },
  { value: 'list', text: 'By list' },
  { value: 'done', text: 'Done' },
]

const show = (id?: string) => router.replace({ name: 'tasks', params: { id: id ?? '' }, query: route.query })
const sort = (by: string) => router.replace({ name: 'tasks', params: { id: '' }, query: { by } })

async function add(fields: TaskFields): Promise<void> {
  await makeTasks([{ fields }])
  adding.value = false
}

async function check(task: TaskRow): Promise<void> {
  await attempt(() => setTaskDone(task.id, !task.completedAt))
}

async function step(by: number): Promise<void> {
  const index = shown.value.findIndex(({ id }) => id === props.id)
  const task = shown.value[Math.max(0, Math.min(shown.value.length - 1, index + by))]
  if (!task) return
  await show(task.id)
  await nextTick()
  document.querySelector<HTMLElement>(`[data-task="${task.id}"]`)?.focus()
}

const chosen = computed(() => shown.value.find(({ id }) => id === props.id))

useKeys('Tasks', [
  { key: 'ArrowDown', label: 'Next task', run: () => void step(1) },
  { key: 'ArrowUp', label: 'Previous task', run: () => void step(-1) },
  {
    key: ' ',
    label: 'Complete it, or open it again',
    when: () => !!chosen.value,
    run: () => {
      if (chosen.value) void check(chosen.value)
    },
  },
  {
    key: 'Ctrl+Enter',
    label: 'Open its source alone',
    when: () => !!props.id,
    run: () => sheet.value?.openSource(),
  },
  { key: 'F2', label: 'Edit it', when: () => !!props.id, run: () => sheet.value?.edit() },
  { key: 'Delete', label: 'Delete it', when: () => !!props.id, run: () => void sheet.value?.remove() },
  { key: 'Insert', label: 'Write a task down', run: () => (adding.value = true) },
  { key: 'Escape', label: 'Close the task', when: () => !!props.id, run: () => void show() },
])
</script>

<template>
  <div class="view tasks" :class="{ opened: id }">
    <div class="left">
      <div class="view-head">
        <h1>Tasks</h1>
        <div class="orders" role="group" aria-label="Order">
          <button
            v-for="by in orders"
            :key="by.value"
            type="button"
            :aria-pressed="order === by.value"
            @click="sort(by.value)"
          >
            {{ by.text }}
          </button>
        </div>
        <v-btn color="primary" @click="adding = true">Write a task down</v-btn>
      </div>
      <div v-if="adding" class="sheet adding">
        <TaskForm
          :initial="{ title: '', notes: '' }"
          submit-text="Write it down"
          :save="add"
          @cancel="adding = false"
        />
      </div>
      <FailedState v-if="error && !data" :error="error" @again="refetch()" />
      <LoadingRows v-else-if="!data" />
      <EmptyState
        v-else-if="!tasks.length"
        :title="order === 'done' ? 'Nothing is done yet' : 'No open tasks'"
      >
        <template v-if="order === 'done'">Completed tasks are kept here, and can be opened again.</template>
        <template v-else>Make one of a conversation in the tray, or write one down.</template>
        <template #actions><v-btn variant="outlined" to="/">Go to the tray</v-btn></template>
      </EmptyState>
      <DayStretch
        v-for="group in groups"
        :key="group.key"
        :head="group.head"
        :sub="group.sub"
        :over="group.over"
        :plain="order !== 'date'"
      >
        <TaskLine
          v-for="task in group.tasks"
          :key="task.id"
          :task="task"
          :current="task.id === id"
          :listless="order !== 'date'"
          :dayless="order === 'date'"
          @check="check(task)"
        />
      </DayStretch>
    </div>
    <aside v-if="id"><TaskSheet :id="id" ref="sheet" :key="id" @close="show()" /></aside>
  </div>
</template>

<style scoped>
.tasks {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 30px;
  align-items: start;
}

.tasks.opened {
  grid-template-columns: minmax(0, 1fr) 470px;
}

aside {
  position: sticky;
  top: 72px;
  max-height: calc(100vh - 130px);
  overflow: auto;
}

.orders {
  display: flex;
  padding: 3px;
  border-radius: 10px;
  background: var(--v-rim);
}

.orders button {
  padding: 6px 14px;
  font: inherit;
  font-weight: 550;
  font-size: 14.5px;
  color: var(--v-slate);
  background: none;
  border: 0;
  border-radius: 8px;
  cursor: pointer;
}

.orders button[aria-pressed='true'] {
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  box-shadow: 0 1px 2px rgb(30 44 53 / 12%);
}

.adding {
  padding: 22px;
  margin-bottom: 16px;
}

@media (max-width: 980px) {
  .tasks.opened {
    grid-template-columns: minmax(0, 1fr);
  }

  .tasks.opened .left {
    display: none;
  }

  aside {
    position: static;
    max-height: none;
  }
}
</style>
