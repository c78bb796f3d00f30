<script setup lang="ts">
import { bandOf } from './bands'

/** How much it matters, as a stroke of ink in the margin: the more, the longer. */
defineProps<{
  importance: number
  /** It is said beside it */
  quiet?: boolean
}>()
</script>

<template>
  <span
    class="mark"
    :role="quiet ? undefined : 'img'"
    :aria-hidden="quiet"
    :aria-label="quiet ? undefined : bandOf(importance)"
    :title="`${bandOf(importance)}: ${importance} of 100`"
    ><i :style="{ width: `${Math.max(8, importance)}%` }"
  /></span>
</template>

<style scoped>
.mark {
  flex: none;
  width: 26px;
  height: 3px;
  border-radius: 2px;
  background: var(--v-edge);
}

i {
  display: block;
  height: 100%;
  border-radius: 2px;
  background: rgb(var(--v-theme-primary));
}
</style>
