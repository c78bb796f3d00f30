<script setup lang="ts">
import type { Nearness } from '@/shared/time/format'

defineProps<{ near: Nearness }>()
</script>

<template>
  <span class="tab" :class="near"><slot /></span>
</template>

<style scoped>
.tab {
  justify-self: end;
  font-weight: 600;
  font-size: var(--type-small);
  padding: 3px 12px 3px 16px;
  clip-path: polygon(8px 0, 100% 0, 100% 100%, 8px 100%, 0 50%);
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}

.near {
  background: var(--v-tab-near);
  color: var(--v-tab-near-ink);
}

.soon {
  background: var(--v-tab-soon);
  color: var(--v-tab-soon-ink);
}

.over {
  background: var(--v-tab-over);
  color: var(--v-tab-over-ink);
}

.far {
  background: var(--v-tab-far);
  color: var(--v-tab-far-ink);
}
</style>
