<script setup lang="ts">
import type { Colour } from '@/shared/api/client'

/** A list, as a word with its spine, and the stage at which something stands there. */
defineProps<{ list: { name: string; colour: Colour; stage?: string | null } }>()
</script>

<template>
  <span class="list-word" :class="list.colour"
    >{{ list.name }}<template v-if="list.stage"> · {{ list.stage }}</template></span
  >
</template>

<style scoped>
.list-word {
  display: inline-block;
  max-width: 24ch;
  padding-left: 6px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  vertical-align: bottom;
  border-left: 4px solid var(--tint, var(--v-slate));
}
</style>
