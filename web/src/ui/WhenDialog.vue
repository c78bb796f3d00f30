<script setup lang="ts">
import { ref, watch } from 'vue'
import type { When } from '@/shared/api/client'
import { toWhen } from '@/shared/api/when'
import { useKeptPhrase } from '@/shared/typing/phrase'
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

const { written: at, accept } = useKeptPhrase(
  () => props.title && `when:${props.title}`,
  () => props.first,
)
const wrong = ref('')
/** What was chosen and is on its way. */
let sent = ''
watch(
  () => props.title,
  (now) => {
    wrong.value = ''
    // Whoever asked has taken it.
    if (!now && sent) accept(sent)
    sent = ''
  },
)

function go(): void {
  const when = toWhen(at.value)
  sent = when ? `when:${props.title}` : ''
  if (when) emit('choose', when)
  else wrong.value = 'When?'
}
function close(): void {
  sent = ''
  emit('close')
}
</script>

<template>
  <ModalDialog :open="!!title" max-width="440" name="When?" @close="close">
    <form v-if="title" class="sheet asking" novalidate @submit.prevent="go">
      <h2>{{ title }}</h2>
      <WhenField v-model="at" v-first :label="label" :error="wrong" />
      <div class="actions">
        <v-btn type="submit" color="primary">Move</v-btn>
        <v-btn variant="text" @click="close">Cancel</v-btn>
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
