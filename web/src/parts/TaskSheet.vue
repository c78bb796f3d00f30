<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { TaskFields } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { useTask } from '@/api/reading'
import { dueTab } from '@/time/due'
import { day, moment } from '@/time/format'
import FailedState from './FailedState.vue'
import IndexTab from './IndexTab.vue'
import LoadingRows from './LoadingRows.vue'
import SourceBlock from './SourceBlock.vue'
import TaskForm from './TaskForm.vue'
import { attempt } from './notice'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ close: [] }>()

const router = useRouter()
const { data: task, error, refetch } = useTask(() => props.id)
const { editTask, setTaskDone, deleteTask } = useDeciding()
const editing = ref(false)

const row = computed(() => task.value?.row)
const fields = computed<TaskFields>(() => ({
  title: row.value?.title ?? '',
  notes: row.value?.notes ?? '',
  due: row.value?.due ?? null,
  list: row.value?.list ?? '',
}))
const due = computed(() =>
  row.value?.due && !row.value.completedAt ? dueTab(row.value.due, row.value.over) : null,
)

async function save(changed: TaskFields): Promise<void> {
  await editTask(props.id, changed)
  editing.value = false
}

async function remove(): Promise<void> {
  if (await attempt(() => deleteTask(props.id))) emit('close')
}

function openSource(): void {
  const source = task.value?.sources[0]
  if (source) void router.push({ name: 'source', params: { id: source.id } })
}

defineExpose({ edit: () => (editing.value = true), openSource, remove })
</script>

<template>
  <div class="sheet task-sheet">
    <FailedState v-if="error && !task" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!task || !row" />
    <template v-else>
      <v-btn
        class="close"
        :icon="mdiClose"
        variant="text"
        size="small"
        aria-label="Close the task"
        @click="emit('close')"
      />
      <TaskForm v-if="editing" :initial="fields" submit-text="Save" :save="save" @cancel="editing = false" />
      <template v-else>
        <div class="head">
          <h2 :class="{ done: row.completedAt }">{{ row.title }}</h2>
          <IndexTab v-if="due" :near="due.near">{{ due.text }}</IndexTab>
        </div>
        <dl>
          <dt>List</dt>
          <dd>{{ row.list }}</dd>
          <template v-if="row.due">
            <dt>Due</dt>
            <dd>{{ day(row.due.date) }}{{ row.due.time ? `, ${row.due.time}` : '' }}</dd>
          </template>
          <dt>Made</dt>
          <dd>{{ moment(task.createdAt) }}</dd>
          <template v-if="row.completedAt">
            <dt>Done</dt>
            <dd>{{ moment(row.completedAt) }}</dd>
          </template>
        </dl>
        <template v-if="row.notes">
          <h3>Notes</h3>
          <p class="notes">{{ row.notes }}</p>
        </template>
        <div class="actions">
          <v-btn color="primary" @click="attempt(() => setTaskDone(row!.id, !row!.completedAt))">
            {{ row.completedAt ? 'Open again' : 'Complete' }}
          </v-btn>
          <v-btn variant="outlined" @click="editing = true">Edit</v-btn>
          <v-btn variant="text" @click="remove">Delete</v-btn>
        </div>
        <SourceBlock v-for="source in task.sources" :key="source.id" :source="source" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.task-sheet {
  position: relative;
  padding: 26px 28px 28px;
}

.close {
  position: absolute;
  top: 4px;
  right: 4px;
  opacity: 0.7;
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 16px;
  margin: 4px -28px 14px 0;
}

h2 {
  font-size: 19px;
  font-weight: 600;
  line-height: 1.3;
  margin: 0;
  overflow-wrap: anywhere;
}

h2.done {
  text-decoration: line-through;
  color: var(--v-slate);
}

.head .tab {
  margin-top: 12px;
}

dl {
  display: grid;
  grid-template-columns: 78px 1fr;
  gap: 5px 16px;
  margin: 0;
}

dt {
  color: var(--v-slate);
  font-size: 14px;
}

dd {
  margin: 0;
  font-weight: 500;
}

h3 {
  font-size: 14px;
  color: var(--v-slate);
  margin: 16px 0 4px;
}

.notes {
  margin: 0;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

.actions {
  display: flex;
  gap: 8px;
  margin-top: 18px;
}

.form {
  padding-top: 26px;
}
</style>
