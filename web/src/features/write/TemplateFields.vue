<script setup lang="ts">
import { reactive } from 'vue'
import KeptNote from '@/ui/KeptNote.vue'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import type { TemplateDraft } from './templateDialog'
import { useWriteSteps } from './steps'
import { TickBox } from '@/ui/kit'

const props = defineProps<{ draft: TemplateDraft }>()
const emit = defineEmits<{ close: [] }>()

const { keepTemplate } = useWriteSteps()
const fields = reactive({
  name: props.draft.name,
  subject: props.draft.subject,
  text: props.draft.text,
  signed: props.draft.signed,
})
const { keptAt, accept, anew } = useTyped(`template:${props.draft.isNew ? 'new' : props.draft.id}`, fields)
const GAPS = ['{first name}', '{my name}', '{today}', '{when friday}', '{ask which day}']

const { wrong, busy, keep } = useKeeping(
  'text',
  () => keepTemplate(props.draft.id, { ...fields }),
  () => {
    accept()
    emit('close')
  },
)
</script>

<template>
  <div class="sheet asking">
    <h2>{{ draft.isNew ? 'A template' : 'Change the template' }}</h2>
    <KeptNote :at="keptAt" @anew="anew" />
    <form novalidate @submit.prevent="keep" @keydown.ctrl.enter.prevent="keep">
      <v-text-field
        v-model="fields.name"
        v-first
        label="What it is called"
        maxlength="100"
        hide-details="auto"
        :error-messages="wrong.name"
      />
      <v-text-field
        v-model="fields.subject"
        label="Subject of a new message"
        maxlength="500"
        hide-details="auto"
        :error-messages="wrong.subject"
      />
      <v-textarea
        v-model="fields.text"
        label="Text"
        rows="9"
        hide-details="auto"
        :error-messages="wrong.text"
      />
      <p class="slate">
        Gaps are filled in when it is used:
        <code v-for="gap in GAPS" :key="gap">{{ gap }}</code>
      </p>
      <label><TickBox v-model="fields.signed" /> with the signature under it</label>
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

p {
  margin: 0;
  font-size: var(--type-note);
}

code {
  display: inline-block;
  margin: 0 4px;
  font-size: var(--type-note);
}
</style>
