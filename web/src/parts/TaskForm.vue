<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { TaskFields } from '@/api/client'
import { Problem } from '@/api/problem'
import { useLists } from '@/api/reading'
import { tell } from './notice'

const props = defineProps<{
  initial: TaskFields
  submitText: string
  /** Does what the form is for; when it throws, the form stays as it is and says why */
  save: (fields: TaskFields) => Promise<unknown>
  /** The title is not asked for: several tasks, each with its own subject */
  titleless?: boolean
}>()
defineEmits<{ cancel: [] }>()

const title = ref(props.initial.title)
const notes = ref(props.initial.notes ?? '')
const date = ref(props.initial.due?.date ?? '')
const time = ref(props.initial.due?.time ?? '')
const list = ref<string | null>(props.initial.list || null)
const wrong = ref<Record<string, string>>({})
const busy = ref(false)
const titleField = ref<{ $el: HTMLElement }>()

const { data: lists } = useLists()
const listNames = computed(() => (lists.value ?? []).map(({ name }) => name))

onMounted(async () => {
  await nextTick()
  const field = titleField.value?.$el.querySelector('input')
  field?.focus({ preventScroll: true })
  field?.select()
})

async function submit(): Promise<void> {
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
      v-model="notes"
      label="Notes"
      rows="2"
      auto-grow
      max-rows="12"
      :error-messages="wrong.notes"
    />
    <div class="actions">
      <v-btn variant="text" @click="$emit('cancel')">Cancel</v-btn>
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

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
