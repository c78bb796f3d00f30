<script setup lang="ts">
import { ref, watch } from 'vue'
import type { When } from '@/shared/api/client'
import { toWhen, type Written } from '@/shared/api/when'
import ModalDialog from './ModalDialog.vue'
import WhenField from './WhenField.vue'

/** Asks for one moment. */
const props = defineProps<{
  /** What is asked; empty: nothing is */
  title: string
  label: string
  /** The phrase that it begins with */
  first: string
}>()
const emit = defineEmits<{ choose: [when: When]; close: [] }>()

const at = ref<Written>({ phrase: '', reading: null })
const wrong = ref('')
watch(
  () => props.title,
  () => {
    at.value = { phrase: props.first, reading: null }
    wrong.value = ''
  },
)

function go(): void {
  const when = toWhen(at.value)
  if (when) emit('choose', when)
  else wrong.value = 'When?'
}
</script>

<template>
  <ModalDialog :open="!!title" max-width="440" name="When?" @close="emit('close')">
    <form v-if="title" class="sheet asking" novalidate @submit.prevent="go">
      <h2>{{ title }}</h2>
      <WhenField v-model="at" v-first :label="label" :error="wrong" />
      <div class="actions">
        <v-btn type="submit" color="primary">Move</v-btn>
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped src="./dialog.css"></style>
<style scoped>
.actions {
  margin-top: 12px;
}
</style>
