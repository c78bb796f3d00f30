<script setup lang="ts">
import type { LabelOn } from '@/shared/api/client'

/** A label: its word, with a stroke of its colour under it as if drawn with a marker. */
defineProps<{ label: Pick<LabelOn, 'name' | 'colour'> }>()
</script>

<template>
  <span class="label-word" :class="label.colour">{{ label.name }}</span>
</template>

<style scoped>
.label-word {
  display: inline-block;
  max-width: 18ch;
  padding: 0 3px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  vertical-align: bottom;
  font-size: var(--type-small);
  line-height: 19px;
  color: rgb(var(--v-theme-on-surface));
  background: linear-gradient(color-mix(in srgb, var(--tint, var(--v-slate)) 55%, transparent) 0 0) 0
    calc(100% - 2px) / 100% 5px no-repeat;
}
</style>
