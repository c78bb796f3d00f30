<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { TaskFields } from '@/api/client'
import { Problem } from '@/api/problem'
import { useLists } from '@/api/reading'
import { tell } from './notice'
import { counted } from './words'

const props = defineProps<{
  initial: TaskFields
  submitText: string
  /** Does what the form is for; when it throws, the form stays as it is and says why */
  save: (fields: TaskFields) => Promise<unknown>
  /** The title is not asked for: several tasks, each with its own subject */
  titleless?: boolean
  /** The title does not take the focus by itself */
  still?: boolean
  /** On a card: notes only when they are asked for */
  compact?: boolean
  /** The words that the due comes from */
  quote?: string
}>()
defineEmits<{ cancel: [] }>()

const title = ref(props.initial.title)
const notes = ref(props.initial.notes ?? '')
const date = ref(props.initial.due?.date ?? '')
const time = ref(props.initial.due?.time ?? '')
const list = ref<string | null>(props.initial.list || null)
const wrong = ref<Record<string, string>>({})
const busy = ref(false)
const withNotes = ref(!props.compact)
const folded = computed(() => {
  const lines = notes.value.split('\n').filter(Boolean).length
  return lines ? `Notes: ${counted(lines, 'line')}` : 'Add notes'
})
const titleField = ref<{ $el: HTMLElement }>()

const { data: lists } = useLists()
const listNames = computed(() => (lists.value ?? []).map(({ name }) => name))

function focus(): void {
  const field = titleField.value?.$el.querySelector('input')
  field?.focus({ preventScroll: true })
  field?.select()
}

onMounted(async () => {
  await nextTick()
  if (!props.still) focus()
})

async function submit(): Promise<void> {
  if (!props.titleless && !title.value.trim()) {
    wrong.value = { title: 'A task needs a title: what is to be done?' }
    return
  }
  if (time.value && !date.value) {
    wrong.value = { date: 'A time needs a day.' }
    return
  }
  busy.value = true
  wrong.value = {}
  try {
    await props.save({
      title: title.value,
      notes: notes.value,
      due: date.value ? { date: date.value, time: time.value || null } : null,
      list: list.value ?? '',
    })
  } catch (problem) {
    if (problem instanceof Problem && Object.keys(problem.fields).length) wrong.value = problem.fields
    else tell(problem)
  } finally {
    busy.value = false
  }
}

defineExpose({ focus, submit })
</script>

<template>
  <form
    class="form"
    novalidate
    @submit.prevent="submit"
    @keydown.esc.stop="$emit('cancel')"
    @keydown.ctrl.enter="submit"
  >
    <v-text-field
      v-if="!titleless"
      ref="titleField"
      v-model="title"
      label="What is to be done?"
      :error-messages="wrong.title"
      maxlength="400"
    />
    <div class="pair">
      <v-text-field
        v-model="date"
        type="date"
        label="Due"
        clearable
        persistent-clear
        :error-messages="wrong.date"
      />
      <v-text-field
        v-model="time"
        type="time"
        label="At"
        clearable
        persistent-clear
        :error-messages="wrong.time"
      />
    </div>
    <p v-if="quote && date" class="quote slate">from “{{ quote }}”</p>
    <v-combobox
      v-model="list"
      :items="listNames"
      label="List"
      placeholder="Tasks"
      persistent-placeholder
      :error-messages="wrong.list"
      hide-no-data
    />
    <v-textarea
      v-if="withNotes"
      v-model="notes"
      label="Notes"
      rows="2"
      auto-grow
      max-rows="12"
      :error-messages="wrong.notes"
    />
    <div class="actions">
      <button v-if="!withNotes" class="link" type="button" @click="withNotes = true">{{ folded }}</button>
      <v-btn v-if="!still" variant="text" @click="$emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" color="primary" :loading="busy">{{ submitText }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
}

.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 10px;
}

.quote {
  margin: -10px 0 0 2px;
  font-size: 13px;
}

.actions {
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 8px;
}

.actions .link {
  margin-right: auto;
}
</style>
