<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Contact } from '@/shared/api/client'
import KeptNote from '@/ui/KeptNote.vue'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import type { Carding } from './contactDialog'
import { useContactSteps } from './steps'

const props = defineProps<{ carding: Carding }>()
const emit = defineEmits<{ close: [] }>()

const { keepContact } = useContactSteps()
const card = reactive<Contact>({ ...props.carding.card, phones: [...props.carding.card.phones] })
const place = `card:${props.carding.isNew ? props.carding.card.email || 'new' : props.carding.card.id}`
const { keptAt, accept, anew } = useTyped(place, card)

const FIELDS = [
  { name: 'name', label: 'Name' },
  { name: 'position', label: 'Position' },
  { name: 'firm', label: 'Firm' },
  { name: 'email', label: 'Address for mail' },
] as const
const phones = computed({
  get: () => card.phones.join('\n'),
  set: (text) => (card.phones = text.split('\n')),
})
const hint = (field: string) => {
  const place = props.carding.places[field]
  return place ? `from ${place}` : ''
}

const { wrong, busy, keep } = useKeeping(
  'name',
  () => {
    const { id, ...fields } = card
    return keepContact(id, fields)
  },
  () => {
    accept()
    emit('close')
  },
)
</script>

<template>
  <div class="sheet asking">
    <h2>{{ carding.isNew ? 'A card' : 'Change the card' }}</h2>
    <KeptNote :at="keptAt" @anew="anew" />
    <form novalidate @submit.prevent="keep">
      <v-text-field
        v-for="field in FIELDS"
        :key="field.name"
        v-model="card[field.name]"
        :label="field.label"
        maxlength="300"
        :hint="hint(field.name)"
        persistent-hint
        hide-details="auto"
        :error-messages="wrong[field.name]"
      />
      <v-textarea
        v-model="phones"
        label="Phones, one on each line"
        rows="2"
        :hint="hint('phones')"
        persistent-hint
        hide-details="auto"
        :error-messages="wrong.phones"
      />
      <v-textarea
        v-model="card.address"
        label="Postal address"
        rows="2"
        :hint="hint('address')"
        persistent-hint
        hide-details="auto"
        :error-messages="wrong.address"
      />
      <v-textarea
        v-model="card.note"
        label="Note"
        rows="2"
        hide-details="auto"
        :error-messages="wrong.note"
      />
      <div class="actions">
        <v-btn type="submit" color="primary" :loading="busy">Keep</v-btn>
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
