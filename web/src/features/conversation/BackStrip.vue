<script setup lang="ts">
import type { ConversationRow } from '@/shared/api/client'

/** Why a conversation is back, and what had been decided before. */
defineProps<{ row: ConversationRow }>()
</script>

<template>
  <p v-if="row.back" class="back" role="note">
    <strong>{{ row.back.why }}</strong> {{ row.back.before }}
  </p>
</template>

<style scoped>
.back {
  margin: 0 0 10px;
  padding: 10px 18px;
  font-size: var(--type-note);
  color: var(--v-tab-near-ink);
  background: var(--v-tab-near);
  border-radius: 9px;
}
</style>
