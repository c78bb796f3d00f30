<script setup lang="ts">
import { computed } from 'vue'

/** The paper edges under the sheet: how much is left, not what. */
const props = defineProps<{ left: number }>()
const MOST = 9
const edges = computed(() => Math.min(MOST, Math.max(0, props.left - 1)))
</script>

<template>
  <div class="edges" aria-hidden="true">
    <i v-for="edge in edges" :key="edge" :style="{ marginInline: `${edge * 5}px` }" />
  </div>
</template>

<style scoped>
.edges {
  min-height: 38px;
}

.edges i {
  display: block;
  height: 4px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-top: 0;
  border-radius: 0 0 6px 6px;
}
</style>
