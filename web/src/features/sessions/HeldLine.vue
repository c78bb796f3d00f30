<script setup lang="ts">
import { nearMoment } from '@/shared/time/format'
import { useKeys } from '@/shared/keys/registry'
import KeyCap from '@/ui/KeyCap.vue'
import { LinkButton } from '@/ui/kit'
import { LET_IN, useLetIn } from './letIn'

/** When mail comes in next, and how much of it waits, in a quiet line; nothing where mail comes in as it arrives. */
const { held, comesIn, letIn } = useLetIn()

// Wherever its key stands, it works.
useKeys('Mail that waits', [
  { key: LET_IN, label: 'Let waiting mail in now', when: () => held.value > 0, run: letIn },
])
</script>

<template>
  <p v-if="comesIn" class="held slate" role="status">
    <template v-if="held"
      >{{ held }} {{ held === 1 ? 'waits' : 'wait' }} to come in {{ nearMoment(comesIn) }}.
      <LinkButton @click="letIn">Let {{ held === 1 ? 'it' : 'them' }} in now</LinkButton>
      <KeyCap :name="LET_IN"
    /></template>
    <template v-else>Mail comes in {{ nearMoment(comesIn) }}.</template>
  </p>
</template>

<style scoped>
.held {
  margin: 0;
  font-size: var(--type-note);
}

.held kbd {
  margin-left: 2px;
}
</style>
