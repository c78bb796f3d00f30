<script setup lang="ts">
import { mdiBellOutline, mdiClose } from '@mdi/js'
import { ref } from 'vue'
import type { Written } from '@/shared/api/when'
import ReminderText from './ReminderText.vue'
import WhenField from './WhenField.vue'

/** When to be reminded, any number of times: leads and moments. */
const props = defineProps<{
  anchors: { start?: string; due?: string }
  error?: string | undefined
  /** Only what is there, until more is asked for */
  folded?: boolean
}>()
const reminders = defineModel<string[]>({ required: true })

const open = ref(!props.folded)
const next = ref<Written>({ phrase: '', reading: null })

function add(): void {
  const text = next.value.reading?.text ?? next.value.phrase.trim()
  if (!text) return
  if (!reminders.value.includes(text)) reminders.value = [...reminders.value, text]
  next.value = { phrase: '', reading: null }
}

function onEnter(event: KeyboardEvent): void {
  if (!next.value.phrase.trim() || event.ctrlKey) return
  event.preventDefault()
  add()
}
</script>

<template>
  <div class="reminders">
    <ul v-if="reminders.length || !open">
      <li v-for="text in reminders" :key="text" class="chip" :title="text">
        <v-icon :icon="mdiBellOutline" size="15" />
        <ReminderText :text="text" :anchors="anchors" :short="folded" />
        <button
          type="button"
          :aria-label="`Remove the reminder ${text}`"
          @click="reminders = reminders.filter((other) => other !== text)"
        >
          <v-icon :icon="mdiClose" size="15" />
        </button>
      </li>
      <li v-if="!open">
        <button class="link" type="button" @click="open = true">
          {{ reminders.length ? 'Another' : 'Add a reminder' }}
        </button>
      </li>
    </ul>
    <div v-if="open" class="add" @keydown.enter="onEnter">
      <WhenField
        v-model="next"
        label="Remind me"
        as="reminder"
        placeholder="2 days before, friday 9am …"
        :anchors="anchors"
        :error="error"
      />
      <v-btn v-if="next.phrase" variant="outlined" @click="add">Add</v-btn>
    </div>
  </div>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 10px;
  align-items: center;
}

ul + .add {
  margin-top: 6px;
}

.chip {
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 3px 6px 3px 9px;
  font-size: var(--type-note);
  background: var(--v-sea-soft);
  border-radius: 7px;
}

li button:not(.link) {
  display: grid;
  padding: 2px;
  color: var(--v-slate);
  background: none;
  border: 0;
  border-radius: 4px;
  cursor: pointer;
}

.add {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}

.add .when {
  flex: 1;
}
</style>
