<script setup lang="ts">
import { computed } from 'vue'

/** Where words stand that were found, marked. */
const props = defineProps<{ hit: string }>()
/** Every second piece is the word itself. */
const pieces = computed(() => props.hit.split(/[\u0002\u0003]/))
</script>

<template>
  <template v-for="(piece, at) in pieces" :key="at"
    ><mark v-if="at % 2">{{ piece }}</mark
    ><template v-else>{{ piece }}</template></template
  >
</template>

<style scoped>
mark {
  padding: 0 1px;
  color: var(--v-tab-soon-ink);
  background: var(--v-tab-soon);
  border-radius: 3px;
}
</style>
