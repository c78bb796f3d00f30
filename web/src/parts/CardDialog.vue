<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useDeciding } from '@/api/deciding'
import { Problem } from '@/api/problem'
import ModalDialog from './ModalDialog.vue'
import { carding } from './carding'
import { tell } from './notice'

/** A person's card is filled in; what was found in a message says where. */
const { keepContact } = useDeciding()
const wrong = ref<Record<string, string>>({})
const busy = ref(false)
watch(carding, () => (wrong.value = {}))

const FIELDS = [
  { name: 'name', label: 'Name' },
  { name: 'position', label: 'Position' },
  { name: 'firm', label: 'Firm' },
  { name: 'email', label: 'Address for mail' },
] as const
const phones = computed({
  get: () => carding.value?.card.phones.join('\n') ?? '',
  set: (text) => {
    if (carding.value) carding.value.card.phones = text.split('\n')
  },
})
const hint = (field: string) => {
  const place = carding.value?.places[field]
  return place ? `from ${place}` : ''
}

async function keep(): Promise<void> {
  if (!carding.value) return
  busy.value = true
  try {
    const { id, ...fields } = carding.value.card
    await keepContact(id, fields)
    carding.value = null
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = Object.keys(problem.fields).length ? problem.fields : { name: problem.message }
    else tell(problem)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ModalDialog :open="!!carding" name="Card" @close="carding = null">
    <div v-if="carding" class="sheet asking">
      <h2>{{ carding.isNew ? 'A card' : 'Change the card' }}</h2>
      <form novalidate @submit.prevent="keep">
        <v-text-field
          v-for="field in FIELDS"
          :key="field.name"
          v-model="carding.card[field.name]"
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
          v-model="carding.card.address"
          label="Postal address"
          rows="2"
          :hint="hint('address')"
          persistent-hint
          hide-details="auto"
          :error-messages="wrong.address"
        />
        <v-textarea
          v-model="carding.card.note"
          label="Note"
          rows="2"
          hide-details="auto"
          :error-messages="wrong.note"
        />
        <div class="actions">
          <v-btn type="submit" color="primary" :loading="busy">Keep</v-btn>
          <v-btn variant="text" @click="carding = null">Cancel</v-btn>
        </div>
      </form>
    </div>
  </ModalDialog>
</template>

<style scoped src="./dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
