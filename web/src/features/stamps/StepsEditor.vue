<script setup lang="ts">
import { computed } from 'vue'
import { ChoiceList } from '@/ui/kit'
import { addable, newStep, type StepDraft, type StepKind } from './draft'
import StepFields from './StepFields.vue'

/** Steps, one below the other, and what can still be added to them. */
const props = defineProps<{ steps: StepDraft[]; wrong?: string | undefined }>()
const steps = computed(() => props.steps)

function add(event: Event): void {
  const list = event.target as HTMLSelectElement
  steps.value.push(newStep(list.value as StepKind))
  list.value = ''
}
</script>

<template>
  <StepFields v-for="(step, index) in steps" :key="index" :step="step" @remove="steps.splice(index, 1)" />
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  <ChoiceList model-value="" class="add" aria-label="Add a step" @change="add">
    <option value="" disabled>Add a step …</option>
    <option v-for="one in addable(steps)" :key="one.do" :value="one.do">{{ one.text }}</option>
  </ChoiceList>
</template>

<style scoped>
.wrong {
  margin: 0;
  font-size: var(--type-note);
  color: rgb(var(--v-theme-error));
}

.add {
  justify-self: start;
  padding: 5px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}
</style>
