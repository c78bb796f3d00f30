<script setup lang="ts">
import { computed, reactive } from 'vue'
import { attempt } from '@/shared/notice'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import { ChoiceList } from '@/ui/kit'
import { draftOf, freeKeys, stepOf } from './draft'
import type { Making } from './making'
import { useStamps } from './queries'
import StepsEditor from './StepsEditor.vue'
import { useStampSteps } from './steps'

const props = defineProps<{ making: Making }>()
const emit = defineEmits<{ close: [] }>()

const { keepStamp, deleteStamp } = useStampSteps()
const { data: stamps } = useStamps()
const fields = reactive({
  name: props.making.name,
  key: props.making.key,
  steps: props.making.steps.map(draftOf),
})
const { keptAt, accept, anew } = useTyped(`stamp:${props.making.isNew ? 'new' : props.making.id}`, fields)
const keys = computed(() => freeKeys(stamps.value ?? [], props.making.id))

const { wrong, busy, keep } = useKeeping(
  'steps',
  () => keepStamp(props.making.id, { name: fields.name, key: fields.key, steps: fields.steps.map(stepOf) }),
  () => {
    accept()
    emit('close')
  },
)
async function remove(): Promise<void> {
  if (!(await attempt(() => deleteStamp(props.making.id)))) return
  accept()
  emit('close')
}
function choose(event: Event): void {
  const { value } = event.target as HTMLSelectElement
  fields.key = value ? Number(value) : null
}
</script>

<template>
  <div class="sheet asking">
    <h2>{{ making.isNew ? 'New stamp' : 'Change the stamp' }}</h2>
    <KeptNote :at="keptAt" @anew="anew" />
    <form novalidate @submit.prevent="keep" @keydown.ctrl.enter.prevent="keep">
      <div class="head">
        <v-text-field
          v-model="fields.name"
          v-first
          label="What it is called"
          maxlength="80"
          hide-details="auto"
          :error-messages="wrong.name"
        />
        <label
          >with the key
          <ChoiceList :model-value="String(fields.key ?? '')" aria-label="Its key" @change="choose">
            <option value="">none</option>
            <option v-for="key in keys" :key="key" :value="String(key)">Shift + {{ key }}</option>
          </ChoiceList></label
        >
      </div>
      <p v-if="wrong.key" class="wrong" role="alert">{{ wrong.key }}</p>
      <p v-for="sentence in making.left" :key="sentence" class="slate">{{ sentence }}</p>
      <StepsEditor :steps="fields.steps" :wrong="wrong.steps" />
      <div class="actions">
        <v-btn type="submit" color="primary" :loading="busy">Keep it</v-btn>
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn v-if="!making.isNew" class="delete" variant="text" @click="remove">Delete</v-btn>
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

.head {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 16px;
  align-items: center;
}

p {
  margin: 0;
  font-size: var(--type-note);
}

.wrong {
  color: rgb(var(--v-theme-error));
}

select {
  padding: 5px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

.delete {
  margin-left: auto;
}
</style>
