<script setup lang="ts">
import { nextTick, onMounted, reactive, ref } from 'vue'
import type { Due, When } from '@/shared/api/client'
import { toWhen, written, type Written } from '@/shared/api/when'
import { escape } from '@/shared/keys/registry'
import KeptNote from '@/ui/KeptNote.vue'
import { useTyped } from '@/shared/typing/kept'
import { PeopleField } from '@/features/write'
import WhenField from '@/ui/WhenField.vue'

/** Who owes an answer, what, and by when. */
const props = defineProps<{
  what?: string | undefined
  until?: Due | null | undefined
  wrong?: Record<string, string>
  still?: boolean
  /** Several at once cannot be forwarded in one letter */
  several?: boolean
  /** Where what is typed is kept */
  place: string
  /** Notes who owes it; gives whether it was accepted */
  save: (by: string, what: string, until: When) => Promise<boolean>
}>()
const emit = defineEmits<{
  write: [to: string, what: string, until: Written]
  cancel: []
}>()

const fields = reactive({
  by: '',
  what: props.what ?? '',
  until: (props.until ? written(props.until) : { phrase: 'in 3 working days', reading: null }) as Written,
})
const { keptAt, accept, anew } = useTyped(props.place, fields)
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
  const when = toWhen(fields.until)
  missing.value = {
    ...(fields.by.trim() ? {} : { by: 'Who owes you the answer?' }),
    ...(when ? {} : { until: 'By which day and time?' }),
  }
  return Object.keys(missing.value).length ? null : when
}

async function note(): Promise<void> {
  const when = check()
  const people = fields.by.replace(/[,\s]+$/, '')
  if (when && (await props.save(people, fields.what, when))) accept()
}

function submit(): void {
  if (props.several) return void note()
  if (!check()) return
  emit('write', fields.by, fields.what, fields.until)
  // From here on it is kept with the letter.
  accept()
}
</script>

<template>
  <form
    class="form"
    novalidate
    @submit.prevent="submit"
    @keydown.ctrl.enter.prevent.stop="note"
    @keydown.esc="escape($event, () => $emit('cancel'))"
  >
    <KeptNote :at="keptAt" @anew="anew" />
    <PeopleField ref="field" v-model="fields.by" label="To whom" :error="missing.by ?? wrong?.by" />
    <v-text-field
      v-model="fields.what"
      label="What is owed"
      :error-messages="wrong?.what"
      maxlength="200"
      hide-details="auto"
    />
    <WhenField v-model="fields.until" label="By" :error="missing.until ?? wrong?.until" :quiet="still" />
    <p class="slate hint">
      It comes back when they answer, or at that moment.
      {{
        several
          ? 'Only who owes it is noted: letters are forwarded one at a time.'
          : 'Forward it from here, or only note who owes you the answer when you have asked them another way.'
      }}
    </p>
    <div class="actions">
      <v-btn v-if="!still" variant="text" @click="$emit('cancel')">Cancel</v-btn>
      <v-btn v-if="!several" variant="text" title="Ctrl+Enter" @click="note">Only note it</v-btn>
      <v-btn type="submit" color="primary">{{ several ? 'Note it' : 'Forward …' }}</v-btn>
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
  font-size: var(--type-note);
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
