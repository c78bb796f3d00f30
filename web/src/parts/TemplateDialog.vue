<script setup lang="ts">
import { ref, watch } from 'vue'
import { useDeciding } from '@/api/deciding'
import { Problem } from '@/api/problem'
import ModalDialog from './ModalDialog.vue'
import { tell } from './notice'
import { templating } from './templating'

/** A template is written or changed. */
const { keepTemplate } = useDeciding()
const wrong = ref<Record<string, string>>({})
const busy = ref(false)
const GAPS = ['{first name}', '{my name}', '{today}', '{when friday}', '{ask which day}']
watch(templating, () => (wrong.value = {}))

async function keep(): Promise<void> {
  if (!templating.value) return
  const { id, name, subject, text, signed } = templating.value
  busy.value = true
  try {
    await keepTemplate(id, { name, subject, text, signed })
    templating.value = null
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = Object.keys(problem.fields).length ? problem.fields : { text: problem.message }
    else tell(problem)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ModalDialog :open="!!templating" max-width="680" name="Template" @close="templating = null">
    <div v-if="templating" class="sheet asking">
      <h2>{{ templating.isNew ? 'A template' : 'Change the template' }}</h2>
      <form novalidate @submit.prevent="keep" @keydown.ctrl.enter.prevent="keep">
        <v-text-field
          v-model="templating.name"
          v-first
          label="What it is called"
          maxlength="100"
          hide-details="auto"
          :error-messages="wrong.name"
        />
        <v-text-field
          v-model="templating.subject"
          label="Subject of a new message"
          maxlength="500"
          hide-details="auto"
          :error-messages="wrong.subject"
        />
        <v-textarea
          v-model="templating.text"
          label="Text"
          rows="9"
          hide-details="auto"
          :error-messages="wrong.text"
        />
        <p class="slate">
          Gaps are filled in when it is used:
          <code v-for="gap in GAPS" :key="gap">{{ gap }}</code>
        </p>
        <label><input v-model="templating.signed" type="checkbox" /> with the signature under it</label>
        <div class="actions">
          <v-btn type="submit" color="primary" :loading="busy">Keep</v-btn>
          <v-btn variant="text" @click="templating = null">Cancel</v-btn>
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

p {
  margin: 0;
  font-size: 14px;
}

code {
  display: inline-block;
  margin: 0 4px;
  font-size: 13.5px;
}
</style>
