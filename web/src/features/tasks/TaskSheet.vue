<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { until } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import type { Task, TaskFields } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { dueTab } from '@/shared/time/due'
import { nearMoment } from '@/shared/time/format'
import { holdKeys } from '@/shared/typing/held'
import { drop, keep, peek } from '@/shared/typing/kept'
import { merged } from './merge'
import { useCompleting } from './complete'
import ConflictSheet from './ConflictSheet.vue'
import { draftOf, fieldsOf, type TaskDraft } from './draft'
import FailedState from '@/ui/FailedState.vue'
import IndexTab from '@/ui/IndexTab.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MarkdownText from '@/ui/MarkdownText.vue'
import { say } from '@/shared/notice'
import SubtaskList from './SubtaskList.vue'
import TaskActions from './TaskActions.vue'
import TaskFacts from './TaskFacts.vue'
import TaskForm from './TaskForm.vue'
import TaskSources from './TaskSources.vue'
import { useTask } from './queries'
import { useTaskSteps } from './steps'
import { LinkButton } from '@/ui/kit'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ close: [] }>()

const { data: task, error, refetch } = useTask(() => props.id)
const { editTask } = useTaskSteps()
const { check } = useCompleting()
const row = computed(() => task.value?.row)
const due = computed(() =>
  row.value?.due && !row.value.completedAt ? dueTab(row.value.due, row.value.over) : null,
)

interface Edited {
  draft: TaskDraft
  revision: number
}
/** What is being edited, as it was when the editing began. */
const edited = ref<Edited | null>(null)
/** Somebody else, or another window, changed the same. */
const conflict = ref<{ base: TaskDraft; mine: TaskDraft; theirs: Task } | null>(null)
const place = `task:${props.id}`
/** A change that was begun and neither saved nor thrown away. */
const begun = ref(peek<TaskDraft>(place))

function edit(): void {
  if (!task.value) return
  const base = begun.value?.base as Edited | undefined
  edited.value = base ?? { draft: draftOf(task.value), revision: task.value.row.revision }
}

function fold(): void {
  edited.value = null
  begun.value = peek(place)
}

function forget(): void {
  drop(place)
  begun.value = null
}

async function save(fields: TaskFields, draft: TaskDraft): Promise<boolean> {
  if (!edited.value) return false
  try {
    await editTask(props.id, edited.value.revision, fields)
  } catch (problem) {
    if (!(problem instanceof Problem) || !problem.task) throw problem
    return meet(edited.value.draft, draft, problem.task)
  }
  edited.value = null
  conflict.value = null
  begun.value = null
  return true
}

/** What only one of both has changed stands as changed; only where both have, the person is asked. */
async function meet(base: TaskDraft, mine: TaskDraft, theirs: Task): Promise<boolean> {
  const both = merged(base, mine, draftOf(theirs))
  if (both.asks.length) {
    conflict.value = { base, mine, theirs }
    return false
  }
  edited.value = { draft: draftOf(theirs), revision: theirs.row.revision }
  const isSaved = await save(fieldsOf(both.draft), both.draft)
  if (isSaved) say('It was changed elsewhere, too. Both changes stand.')
  return isSaved
}

/** What was chosen of both is looked at once more, and saved over what is there now. */
async function settle(draft: TaskDraft): Promise<void> {
  const of = conflict.value
  conflict.value = null
  if (!of) return
  const theirs = { draft: draftOf(of.theirs), revision: of.theirs.row.revision }
  edited.value = null
  keep(place, draft, theirs)
  await nextTick()
  edited.value = theirs
}

/** What is there now stands. */
function giveUp(): void {
  conflict.value = null
  edited.value = null
  forget()
}

/** A file that is pasted into the task is attached, also while it is only looked at. */
const form = ref<InstanceType<typeof TaskForm>>()
async function pasted(event: ClipboardEvent): Promise<void> {
  const files = [...(event.clipboardData?.files ?? [])]
  if (!files.length || event.defaultPrevented || edited.value) return
  event.preventDefault()
  edit()
  await nextTick()
  await form.value?.take(files)
}

/** What is asked for while the task is still on its way is done when it is there. */
defineExpose({
  edit: () => {
    holdKeys()
    void until(task).toBeTruthy().then(edit)
  },
})
</script>

<template>
  <div class="sheet task-sheet" tabindex="-1" @paste="pasted">
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
        :base="conflict.base"
        :mine="conflict.mine"
        :theirs="conflict.theirs"
        @settle="settle"
        @cancel="giveUp"
      />
      <TaskForm
        v-else-if="edited"
        ref="form"
        :initial="edited.draft"
        :place="place"
        :base="edited"
        submit-text="Save"
        :save="save"
        @cancel="fold"
      />
      <template v-else>
        <p v-if="begun" class="begun">
          You began to change it, {{ nearMoment(new Date(begun.at)) }}.
          <LinkButton @click="edit">Go on <KeyCap name="F2" /></LinkButton>
          <LinkButton @click="forget">Throw it away</LinkButton>
        </p>
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
        <TaskActions :task="task" @edit="edit" @deleted="emit('close')" />
        <TaskSources :task="task" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.task-sheet {
  position: relative;
  padding: 26px 28px 28px;
  outline: none;
}

.close {
  position: absolute;
  top: 4px;
  right: 4px;
  opacity: 0.7;
}

.begun {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 0 30px 12px 0;
  padding: 6px 12px;
  font-size: var(--type-note);
  border: 1px dashed var(--v-edge);
  border-radius: 8px;
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
  font-size: var(--type-head);
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
  font-size: var(--type-note);
  color: var(--v-slate);
  margin: 16px 0 4px;
}

.form {
  padding-top: 26px;
}
</style>
