<script setup lang="ts">
import KeyCap from '@/ui/KeyCap.vue'
import { PlainButton } from '@/ui/kit'
import type { AnswerCard } from './cards'

/** The answers to what is asked, each with its key and what comes of it. */
defineProps<{ cards: AnswerCard[] }>()
</script>

<template>
  <div class="answers" role="group" aria-label="Answers">
    <PlainButton
      v-for="card in cards"
      :key="card.key"
      v-keyed="card.key"
      class="answer"
      :class="{ first: card.first, on: card.on }"
      :disabled="card.off"
      :aria-pressed="card.on === undefined ? undefined : card.on"
      @click="card.run()"
    >
      <KeyCap :name="card.key" />
      <span class="text">{{ card.text }}</span>
      <span class="slate follows">{{ card.follows }}</span>
    </PlainButton>
  </div>
</template>

<style scoped>
.answers {
  display: grid;
  align-content: start;
}

.answer {
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 12px;
  align-items: center;
  min-height: 46px;
  margin-top: -1px;
  padding: 7px 16px;
  text-align: left;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
}

.answer:first-child {
  border-radius: 9px 9px 0 0;
}

.answer:last-child {
  border-radius: 0 0 9px 9px;
}

.answer:hover:not(:disabled) {
  background: var(--v-sea-soft);
}

.answer:disabled {
  opacity: 0.55;
  cursor: default;
}

.first {
  min-height: 56px;
  border-left: 5px solid rgb(var(--v-theme-primary));
}

.on {
  background: var(--v-sea-soft);
}

.text {
  font-weight: 600;
  white-space: nowrap;
}

.follows {
  min-width: 0;
  font-size: var(--type-note);
  text-align: right;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
