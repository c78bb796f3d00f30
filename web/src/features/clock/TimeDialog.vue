<script setup lang="ts">
import { ref, watch } from 'vue'
import { Problem } from '@/shared/api/problem'
import { tell } from '@/shared/notice'
import { useKeptPhrase } from '@/shared/typing/phrase'
import ModalDialog from '@/ui/ModalDialog.vue'
import WhenField from '@/ui/WhenField.vue'
import { askedOf, askHowLong, asWritten } from './clock'
import { useTimeSteps } from './steps'

/** Asks how long somebody was at something, where the clock does not know. */
const { correctTime } = useTimeSteps()
const { written: took, accept } = useKeptPhrase(
  () => (askedOf.value ? `took:${askedOf.value.id}` : ''),
  () => (askedOf.value ? asWritten(askedOf.value) : ''),
)
const wrong = ref('')
watch(askedOf, () => (wrong.value = ''))

async function set(phrase: string | null): Promise<void> {
  if (!askedOf.value) return
  try {
    const { id } = askedOf.value
    await correctTime(id, phrase)
    accept(`took:${id}`)
    askHowLong(null)
  } catch (problem) {
    if (problem instanceof Problem && problem.fields.took) wrong.value = problem.fields.took
    else tell(problem)
  }
}
</script>

<template>
  <ModalDialog :open="!!askedOf" max-width="460" name="How long was it?" @close="askHowLong(null)">
    <form v-if="askedOf" class="sheet asking" novalidate @submit.prevent="set(took.phrase)">
      <h2>“{{ askedOf.title }}”: how long was it?</h2>
      <WhenField v-model="took" v-first as="estimate" label="It took" placeholder="45 min" :error="wrong" />
      <div class="actions">
        <v-btn type="submit" color="primary">It was so long</v-btn>
        <v-btn variant="outlined" @click="set(null)">It was no work</v-btn>
        <v-btn variant="text" @click="askHowLong(null)">Cancel</v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
.actions {
  margin-top: 12px;
}
</style>
