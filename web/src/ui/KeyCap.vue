<script setup lang="ts">
import { cap } from '@/shared/keys/registry'

defineProps<{ name: string }>()
</script>

<template>
  <kbd>{{ cap(name) }}</kbd>
</template>

<style scoped>
kbd {
  font:
    600 12px/1 'Figtree Variable',
    sans-serif;
  border: 1px solid var(--v-edge);
  border-bottom-width: 2px;
  border-radius: 5px;
  padding: 3px 6px;
  color: var(--v-slate);
  background: rgb(var(--v-theme-surface));
  white-space: nowrap;
}

.v-btn kbd {
  background: transparent;
  color: inherit;
  border-color: currentcolor;
  opacity: 0.85;
  margin-left: 10px;
}
</style>
