<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Due, When } from '@/api/client'
import { toWhen, written, type Written } from '@/api/when'
import WhenField from './WhenField.vue'

/** Who owes an answer, what, and by when. */
const props = defineProps<{
  what?: string | undefined
  until?: Due | null | undefined
  wrong?: Record<string, string>
  still?: boolean
}>()
const emit = defineEmits<{ submit: [by: string, what: string, until: When]; cancel: [] }>()

const by = ref('')
const what = ref(props.what ?? '')
const until = ref<Written>(
  props.until ? written(props.until) : { phrase: 'in 3 working days', reading: null },
)
const missing = ref<Record<string, string>>({})
const field = ref<{ $el: HTMLElement }>()

function focus(): void {
  field.value?.$el.querySelector('input')?.focus({ preventScroll: true })
}
defineExpose({ focus })
onMounted(async () => {
  await nextTick()
  if (!props.still) focus()
})

function submit(): void {
  const when = toWhen(until.value)
  missing.value = {
    ...(by.value.trim() ? {} : { by: 'Who owes you the answer?' }),
    ...(when ? {} : { until: 'By which day and time?' }),
  }
  if (when && !Object.keys(missing.value).length) emit('submit', by.value, what.value, when)
}
</script>

<template>
  <form class="form" novalidate @submit.prevent="submit" @keydown.esc.stop="$emit('cancel')">
    <v-text-field
      ref="field"
      v-model="by"
      label="Who owes you an answer?"
      :error-messages="missing.by ?? wrong?.by"
      maxlength="200"
      hide-details="auto"
    />
    <v-text-field
      v-model="what"
      label="What is owed"
      :error-messages="wrong?.what"
      maxlength="200"
      hide-details="auto"
    />
    <WhenField v-model="until" label="By" :error="missing.until ?? wrong?.until" :quiet="still" />
    <p class="slate hint">
      Pass the message on in your own words; this keeps track of it. It comes back when they answer in this
      conversation, or at that moment.
    </p>
    <div class="actions">
      <v-btn v-if="!still" variant="text" @click="$emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" color="primary">Hand over</v-btn>
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
