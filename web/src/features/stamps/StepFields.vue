<script setup lang="ts">
import { computed } from 'vue'
import { useLists } from '@/shared/api/lists'
import { useTemplates } from '@/features/write'
import { ChoiceDot, ChoiceList, LinkButton, TextInput } from '@/ui/kit'
import { STEPS, type StepDraft } from './draft'

/** One step of a stamp, with what it needs. */
const props = defineProps<{ step: StepDraft }>()
defineEmits<{ remove: [] }>()

const { data: templates } = useTemplates()
const { data: all } = useLists()
const lists = computed(() => all.value?.filter(({ archived }) => !archived))
const step = computed(() => props.step)
const name = computed(() => STEPS.find((one) => one.do === props.step.do)?.text ?? '')
const FOR = [
  { value: 'snooze', text: 'until' },
  { value: 'answer', text: 'until they answer, at the latest' },
  { value: 'next_clearing', text: 'until the next clearing' },
] as const
</script>

<template>
  <fieldset>
    <legend>{{ name }}</legend>
    <TextInput
      v-if="step.do === 'label' || step.do === 'unlabel'"
      v-model="step.labels"
      placeholder="money, roof survey"
      aria-label="Labels, with commas between them"
    />
    <ChoiceList v-else-if="step.do === 'list'" v-model="step.list" aria-label="The list">
      <option value="" disabled>Which list?</option>
      <option v-for="one in lists ?? []" :key="one.id" :value="one.name">{{ one.name }}</option>
    </ChoiceList>
    <template v-else-if="step.do === 'task'">
      <TextInput v-model="step.line" maxlength="1000" aria-label="The task, as it is jotted" />
      <p class="slate">
        As you jot it: <code>{asked}; due in 3 days; list Office; remind the morning before</code>. {asked} is
        what the mail asks for, {subject} its subject, {who} who wrote.
      </p>
    </template>
    <template v-else-if="step.do === 'answer'">
      <ChoiceList v-model="step.template" aria-label="The template">
        <option value="" disabled>Which template?</option>
        <option v-for="one in templates ?? []" :key="one.id" :value="one.id">{{ one.name }}</option>
      </ChoiceList>
      <label><ChoiceDot v-model="step.send" :value="true" name="send" /> send it</label>
      <label><ChoiceDot v-model="step.send" :value="false" name="send" /> leave it as a draft</label>
      <label><ChoiceDot v-model="step.all" :value="false" name="all" /> to the sender</label>
      <label><ChoiceDot v-model="step.all" :value="true" name="all" /> to everybody</label>
    </template>
    <template v-else-if="step.do === 'snooze'">
      <ChoiceList v-model="step.for" aria-label="Until when">
        <option v-for="one in FOR" :key="one.value" :value="one.value">{{ one.text }}</option>
      </ChoiceList>
      <TextInput
        v-if="step.for !== 'next_clearing'"
        v-model="step.until"
        placeholder="next tuesday 9am"
        aria-label="When it comes back"
      />
    </template>
    <template v-else-if="step.do === 'hand_over'">
      <TextInput v-model="step.to" placeholder="Petra <petra@…>" aria-label="To whom" />
      <TextInput v-model="step.what" placeholder="what they owe" aria-label="What they owe you" />
      <TextInput v-model="step.until" placeholder="in 3 days" aria-label="Until when they owe it" />
    </template>
    <LinkButton class="remove" :aria-label="`Remove: ${name}`" @click="$emit('remove')">Remove</LinkButton>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 0;
  padding: 8px 0 0;
  border: 0;
  border-top: 1px solid var(--v-edge);
}

legend {
  float: left;
  width: 150px;
  padding: 0;
  font-weight: 600;
}

input:not([type='radio']) {
  flex: 1 1 140px;
  min-width: 0;
  padding: 6px 9px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

select {
  padding: 5px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

.remove {
  margin-left: auto;
}

p {
  flex: 1 0 100%;
  margin: 0;
  font-size: var(--type-note);
}
</style>
