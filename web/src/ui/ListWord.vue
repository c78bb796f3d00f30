<script setup lang="ts">
import type { Colour } from '@/shared/api/client'

/** A list, as a word with its spine. */
defineProps<{ list: { name: string; colour: Colour } }>()
</script>

<template>
  <span class="list-word" :class="list.colour">{{ list.name }}</span>
</template>

<style scoped>
.list-word {
  display: inline-block;
  max-width: 20ch;
  padding-left: 6px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  vertical-align: bottom;
  border-left: 4px solid var(--tint, var(--v-slate));
}
</style>
