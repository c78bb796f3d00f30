<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Task } from '@/shared/api/client'
import { merged } from './merge'
import { draftOf, type TaskDraft } from './draft'
import { ChoiceDot } from '@/ui/kit'

/** Two windows changed the same field of a task, each in its own way: both are shown, and the person chooses. */
const props = defineProps<{ base: TaskDraft; mine: TaskDraft; theirs: Task }>()
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

const both = merged(props.base, props.mine, stored)
/** Nothing is chosen beforehand: neither of both is more right. */
const choice = reactive<Partial<Record<Field, 'mine' | 'theirs'>>>({})
const isChosen = computed(() => both.asks.every((field) => choice[field]))

function settle(): void {
  if (!isChosen.value) return
  const draft: TaskDraft = { ...both.draft }
  for (const field of both.asks) {
    if (choice[field] === 'mine') continue
    Object.assign(draft, { [field]: stored[field] })
    if (field === 'repeat') draft.fromCompletion = stored.fromCompletion
  }
  emit('settle', draft)
}
</script>

<template>
  <form class="conflict" @submit.prevent="settle">
    <h2>This task was changed elsewhere</h2>
    <p class="slate">
      Nothing has been overwritten. What only one of both has changed stands as changed; choose what is to
      stand where both have, and look at it once more.
    </p>
    <fieldset v-for="field in both.asks" :key="field">
      <legend>{{ NAMES[field] }}</legend>
      <label>
        <ChoiceDot v-model="choice[field]" :name="field" value="mine" />
        <span><b>Yours</b> {{ text(mine, field) || 'nothing' }}</span>
      </label>
      <label>
        <ChoiceDot v-model="choice[field]" :name="field" value="theirs" />
        <span><b>As it is now</b> {{ text(stored, field) || 'nothing' }}</span>
      </label>
    </fieldset>
    <div class="actions">
      <v-btn variant="text" @click="emit('cancel')">Leave it as it is now</v-btn>
      <v-btn type="submit" color="primary" :disabled="!isChosen">Go on with this</v-btn>
    </div>
  </form>
</template>

<style scoped>
h2 {
  margin: 4px 30px 4px 0;
  font-size: var(--type-lead);
}

p {
  margin: 0 0 12px;
  font-size: var(--type-note);
}

fieldset {
  margin: 0 0 10px;
  padding: 6px 12px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

legend {
  padding: 0 5px;
  font-size: var(--type-small);
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
