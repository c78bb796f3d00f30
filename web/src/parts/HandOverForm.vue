<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Due, When } from '@/api/client'
import { toWhen, written, type Written } from '@/api/when'
import PeopleField from './PeopleField.vue'
import WhenField from './WhenField.vue'

/** Who owes an answer, what, and by when. */
const props = defineProps<{
  what?: string | undefined
  until?: Due | null | undefined
  wrong?: Record<string, string>
  still?: boolean
}>()
const emit = defineEmits<{
  submit: [by: string, what: string, until: When]
  write: [to: string, what: string, until: Written]
  cancel: []
}>()

const by = ref('')
const what = ref(props.what ?? '')
const until = ref<Written>(
  props.until ? written(props.until) : { phrase: 'in 3 working days', reading: null },
)
const missing = ref<Record<string, string>>({})
const field = ref<InstanceType<typeof PeopleField>>()

function focus(): void {
  field.value?.focus()
}
defineExpose({ focus })
onMounted(async () => {
  await nextTick()
  if (!props.still) focus()
})

function check(): When | null {
  const when = toWhen(until.value)
  missing.value = {
    ...(by.value.trim() ? {} : { by: 'Who owes you the answer?' }),
    ...(when ? {} : { until: 'By which day and time?' }),
  }
  return Object.keys(missing.value).length ? null : when
}

function note(): void {
  const when = check()
  const people = by.value.replace(/[,\s]+$/, '')
  if (when) emit('submit', people, what.value, when)
}

function submit(): void {
  if (check()) emit('write', by.value, what.value, until.value)
}
</script>

<template>
  <form
    class="form"
    novalidate
    @submit.prevent="submit"
    @keydown.ctrl.enter.prevent.stop="note"
    @keydown.esc.stop="$emit('cancel')"
  >
    <PeopleField ref="field" v-model="by" label="To whom" :error="missing.by ?? wrong?.by" />
    <v-text-field
      v-model="what"
      label="What is owed"
      :error-messages="wrong?.what"
      maxlength="200"
      hide-details="auto"
    />
    <WhenField v-model="until" label="By" :error="missing.until ?? wrong?.until" :quiet="still" />
    <p class="slate hint">
      It comes back when they answer, or at that moment. Forward it from here, or only note who owes you the
      answer when you have asked them another way.
    </p>
    <div class="actions">
      <v-btn v-if="!still" variant="text" @click="$emit('cancel')">Cancel</v-btn>
      <v-btn variant="text" title="Ctrl+Enter" @click="note">Only note it</v-btn>
      <v-btn type="submit" color="primary">Forward …</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}

.hint {
  margin: 0;
  font-size: 13.5px;
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
