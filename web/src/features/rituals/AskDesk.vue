<script setup lang="ts">
import type { DayAsk, When } from '@/shared/api/client'
import KeyCap from '@/ui/KeyCap.vue'
import WhenDialog from '@/ui/WhenDialog.vue'
import { LinkButton } from '@/ui/kit'
import AnswerCards from './AnswerCards.vue'
import AskSheet from './AskSheet.vue'
import type { AnswerCard } from './cards'

/** What is asked about, beside what can be answered to it. */
defineProps<{
  ask: DayAsk
  keystone: string | null
  left: number
  cards: AnswerCard[]
  /** Until when, while that is asked; empty: it is not */
  question: string
}>()
defineEmits<{ choose: [when: When]; close: []; pass: [] }>()
</script>

<template>
  <div class="desk">
    <AskSheet :ask="ask" :keystone="keystone" :left="left" />
    <div>
      <AnswerCards :cards="cards" />
      <p class="slate keys">
        <LinkButton @click="$emit('pass')">Pass it over</LinkButton> <KeyCap name="ArrowRight" /> ·
        <KeyCap name="Space" /> takes the first · <KeyCap name="Ctrl+z" /> undoes
      </p>
    </div>
    <WhenDialog
      :title="question"
      label="When"
      first=""
      @choose="$emit('choose', $event)"
      @close="$emit('close')"
    />
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 420px);
  gap: 24px;
  align-items: start;
}

.keys {
  margin: 8px 2px;
  font-size: var(--type-note);
}

@media (max-width: 760px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }
}
</style>
