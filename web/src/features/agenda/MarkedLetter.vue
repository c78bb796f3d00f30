<script setup lang="ts">
import type { EventProposal } from '@/shared/api/client'

/** What a letter says of an event, with the words marked that say it. */
defineProps<{ pieces: EventProposal['pieces'] }>()
</script>

<template>
  <blockquote aria-label="What the letter says">
    <template v-for="(piece, index) in pieces" :key="index"
      ><mark v-if="piece.marked">{{ piece.text }}</mark
      ><template v-else>{{ piece.text }}</template></template
    >
  </blockquote>
</template>

<style scoped>
blockquote {
  padding: 8px 14px;
  margin: 0;
  font-size: var(--type-note);
  white-space: pre-line;
  overflow-wrap: anywhere;
  background: rgb(var(--v-theme-background));
  border-radius: 6px;
}

mark {
  padding: 0 2px;
  font-weight: 600;
  color: inherit;
  background: var(--v-tab-soon);
  border-radius: 3px;
}
</style>
