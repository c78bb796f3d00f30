<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { LocalMoment } from '@/api/client'
import { plusDays, today } from '@/time/format'

/** Who owes an answer, what, and by when. */
const props = defineProps<{
  what?: string
  until?: string
  wrong?: Record<string, string>
  still?: boolean
}>()
const emit = defineEmits<{ submit: [by: string, what: string, until: LocalMoment]; cancel: [] }>()

const by = ref('')
const what = ref(props.what ?? '')
const date = ref(props.until ?? plusDays(today(), 3))
const time = ref('09:00')
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
  missing.value = {
    ...(by.value.trim() ? {} : { by: 'Who owes you the answer?' }),
    ...(date.value && time.value ? {} : { until: 'By which day and time?' }),
  }
  if (!Object.keys(missing.value).length) {
    emit('submit', by.value, what.value, { date: date.value, time: time.value })
  }
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
    />
    <v-text-field v-model="what" label="What is owed" :error-messages="wrong?.what" maxlength="200" />
    <div class="pair">
      <v-text-field v-model="date" type="date" label="By" :min="today()" hide-details />
      <v-text-field v-model="time" type="time" label="At" hide-details />
    </div>
    <p v-if="missing.until ?? wrong?.until" class="wrong" role="alert">{{ missing.until ?? wrong?.until }}</p>
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

.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 10px;
}

.hint {
  margin: 0;
  font-size: 13.5px;
}

.wrong {
  margin: 0;
  font-size: 13.5px;
  color: rgb(var(--v-theme-error));
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
