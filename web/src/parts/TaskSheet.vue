<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { until } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Task, TaskFields } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { Problem } from '@/api/problem'
import { useTask } from '@/api/reading'
import { dueTab } from '@/time/due'
import { useCompleting } from './completing'
import ConflictSheet from './ConflictSheet.vue'
import { draftOf, type TaskDraft } from './draft'
import FailedState from './FailedState.vue'
import IndexTab from './IndexTab.vue'
import LoadingRows from './LoadingRows.vue'
import MarkdownText from './MarkdownText.vue'
import { attempt } from './notice'
import { putOff } from './putoff'
import SubtaskList from './SubtaskList.vue'
import TaskFacts from './TaskFacts.vue'
import TaskForm from './TaskForm.vue'
import TaskSources from './TaskSources.vue'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ close: [] }>()

const router = useRouter()
const { data: task, error, refetch } = useTask(() => props.id)
const { editTask, skipTask, deleteTasks } = useDeciding()
const { check } = useCompleting()
const row = computed(() => task.value?.row)
const due = computed(() =>
  row.value?.due && !row.value.completedAt ? dueTab(row.value.due, row.value.over) : null,
)

/** What is being edited, as it was when the editing began. */
const edited = ref<{ draft: TaskDraft; revision: number } | null>(null)
/** Somebody else, or another window, was faster. */
const conflict = ref<{ mine: TaskDraft; theirs: Task } | null>(null)

function edit(): void {
  if (task.value) edited.value = { draft: draftOf(task.value), revision: task.value.row.revision }
}

async function save(fields: TaskFields, draft: TaskDraft): Promise<void> {
  if (!edited.value) return
  try {
    await editTask(props.id, edited.value.revision, fields)
    edited.value = null
    conflict.value = null
  } catch (problem) {
    if (!(problem instanceof Problem) || !problem.task) throw problem
    conflict.value = { mine: draft, theirs: problem.task }
  }
}

/** What was chosen of both is looked at once more, and saved over what is there now. */
function settle(draft: TaskDraft): void {
  if (conflict.value) edited.value = { draft, revision: conflict.value.theirs.row.revision }
  conflict.value = null
}

async function remove(): Promise<void> {
  if (await attempt(() => deleteTasks([props.id]))) emit('close')
}

function openSource(): void {
  const message = task.value?.sources.find(({ kind }) => kind === 'message')
  const [first] = task.value?.sources ?? []
  if (message) void router.push({ name: 'source', params: { id: message.ref } })
  else if (first?.kind === 'web') window.open(first.ref, '_blank', 'noopener')
  else if (first?.kind === 'task') void router.push({ name: 'tasks', params: { id: first.ref } })
}

function openWeb(): void {
  const web = task.value?.sources.find(({ kind }) => kind === 'web')
  if (web) window.open(web.ref, '_blank', 'noopener')
}

/** What is asked for while the task is still on its way is done when it is there. */
const whenThere = (act: () => void) => () => void until(task).toBeTruthy().then(act)
defineExpose({
  edit: whenThere(edit),
  openSource: whenThere(openSource),
  openWeb: whenThere(openWeb),
  remove,
})
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
      <ConflictSheet
        v-if="conflict"
        :mine="conflict.mine"
        :theirs="conflict.theirs"
        @settle="settle"
        @cancel="((conflict = null), (edited = null))"
      />
      <TaskForm
        v-else-if="edited"
        :initial="edited.draft"
        submit-text="Save"
        :save="save"
        @cancel="edited = null"
      />
      <template v-else>
        <router-link
          v-if="row.parent"
          class="link above"
          :to="{ name: 'tasks', params: { id: row.parent.id }, query: $route.query }"
          >‹ {{ row.parent.title }}</router-link
        >
        <div class="head">
          <h2 :class="{ done: row.completedAt }">{{ row.title }}</h2>
          <IndexTab v-if="due" :near="due.near">{{ due.text }}</IndexTab>
        </div>
        <TaskFacts :task="task" />
        <template v-if="task.notes">
          <h3>Notes</h3>
          <MarkdownText :text="task.notes" />
        </template>
        <SubtaskList :task="task" @check="check" />
        <div class="actions">
          <v-btn color="primary" @click="check(row)">{{ row.completedAt ? 'Open again' : 'Complete' }}</v-btn>
          <v-btn
            v-if="task.repeat?.next && !row.completedAt"
            variant="outlined"
            @click="attempt(() => skipTask(id))"
          >
            Skip this one
          </v-btn>
          <v-btn v-if="!row.completedAt" variant="outlined" @click="putOff([row])">Put off</v-btn>
          <v-btn v-if="!row.completedAt" variant="outlined" :to="{ name: 'write', query: { task: id } }"
            >Hand over</v-btn
          >
          <v-btn variant="outlined" @click="edit">Edit</v-btn>
          <v-btn variant="text" @click="remove">Delete</v-btn>
        </div>
        <TaskSources :task="task" />
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

.above {
  display: block;
  margin-bottom: 4px;
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

h3 {
  font-size: 14px;
  color: var(--v-slate);
  margin: 16px 0 4px;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 18px;
}

.form {
  padding-top: 26px;
}
</style>
