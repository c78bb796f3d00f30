<script setup lang="ts">
import type { When } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import { day } from '@/shared/time/format'
import KeyCap from './KeyCap.vue'
import { capitalised } from '@/shared/words'
import { useSnoozeChoices } from '@/shared/api/snoozeChoices'

/** The person's own when phrases, each with a digit and what it means now. */
const props = defineProps<{ title: string }>()
const emit = defineEmits<{ choose: [when: When]; write: [] }>()

const MOST = 7
const { data } = useSnoozeChoices()
const choose = (index: number) => {
  const choice = data.value?.choices[index]
  if (choice) emit('choose', { date: choice.date, time: choice.time })
}

useKeys(props.title, [
  { key: '0', label: 'Write when', run: () => emit('write') },
  ...Array.from({ length: MOST }, (_, index) => ({
    key: String(index + 1),
    label: `Choice ${index + 1}`,
    when: () => (data.value?.choices.length ?? 0) > index,
    run: () => choose(index),
  })),
])
</script>

<template>
  <ul class="presets">
    <li v-for="(choice, index) in data?.choices" :key="choice.phrase">
      <button type="button" class="preset" @click="choose(index)">
        <KeyCap :name="String(index + 1)" />
        <span class="phrase">{{ capitalised(choice.phrase) }}</span>
        <span class="slate">{{ day(choice.date) }}, {{ choice.time }}</span>
      </button>
    </li>
    <slot />
  </ul>
</template>

<style scoped src="./presets.css"></style>
