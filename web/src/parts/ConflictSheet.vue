<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Task } from '@/api/client'
import { draftOf, type TaskDraft } from './draft'

/** Two windows changed the same task: both are shown field by field, and the person chooses. */
const props = defineProps<{ mine: TaskDraft; theirs: Task }>()
const emit = defineEmits<{ settle: [draft: TaskDraft]; cancel: [] }>()

const stored = draftOf(props.theirs)
type Field = keyof TaskDraft
const NAMES: Partial<Record<Field, string>> = {
  title: 'Title',
  notes: 'Notes',
  list: 'List',
  due: 'Due',
  start: 'Start',
  estimate: 'Takes',
  priority: 'Priority',
  labels: 'Labels',
  repeat: 'Repeat',
  reminders: 'Reminders',
  sources: 'Sources',
  files: 'Files',
}

function text(draft: TaskDraft, field: Field): string {
  const value = draft[field]
  if (typeof value === 'string' || typeof value === 'boolean') return String(value)
  if (!Array.isArray(value)) return value.reading?.text ?? value.phrase
  return value.map((one) => (typeof one === 'string' ? one : 'name' in one ? one.name : one.ref)).join(', ')
}

const different = computed(() =>
  (Object.keys(NAMES) as Field[]).filter((field) => text(props.mine, field) !== text(stored, field)),
)
const choice = reactive<Partial<Record<Field, 'mine' | 'theirs'>>>({})

function settle(): void {
  const draft: TaskDraft = { ...stored }
  for (const field of different.value) {
    if ((choice[field] ?? 'mine') === 'mine') Object.assign(draft, { [field]: props.mine[field] })
  }
  if ((choice.repeat ?? 'mine') === 'mine') draft.fromCompletion = props.mine.fromCompletion
  emit('settle', draft)
}
</script>

<template>
  <form class="conflict" @submit.prevent="settle">
    <h2>This task was changed elsewhere</h2>
    <p class="slate">Nothing has been overwritten. Choose what is to stand, and look at it once more.</p>
    <p v-if="!different.length">Both say the same.</p>
    <fieldset v-for="field in different" :key="field">
      <legend>{{ NAMES[field] }}</legend>
      <label>
        <input v-model="choice[field]" type="radio" :name="field" value="mine" :checked="!choice[field]" />
        <span><b>Yours</b> {{ text(mine, field) || 'nothing' }}</span>
      </label>
      <label>
        <input v-model="choice[field]" type="radio" :name="field" value="theirs" />
        <span><b>As it is now</b> {{ text(stored, field) || 'nothing' }}</span>
      </label>
    </fieldset>
    <div class="actions">
      <v-btn variant="text" @click="emit('cancel')">Leave it as it is now</v-btn>
      <v-btn type="submit" color="primary">Go on with this</v-btn>
    </div>
  </form>
</template>

<style scoped>
h2 {
  margin: 4px 30px 4px 0;
  font-size: 18px;
}

p {
  margin: 0 0 12px;
  font-size: 14px;
}

fieldset {
  margin: 0 0 10px;
  padding: 6px 12px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

legend {
  padding: 0 5px;
  font-size: 13px;
  color: var(--v-slate);
}

label {
  display: flex;
  gap: 9px;
  align-items: baseline;
  padding: 3px 0;
  cursor: pointer;
}

label span {
  min-width: 0;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}

b {
  margin-right: 6px;
  font-weight: 600;
  color: rgb(var(--v-theme-primary));
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 14px;
}
</style>
