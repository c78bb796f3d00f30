<script setup lang="ts">
import { nearMoment } from '@/shared/time/format'

/** Says that what stands in the fields was typed before, and offers to begin anew. */
defineProps<{ at: string }>()
defineEmits<{ anew: [] }>()
</script>

<template>
  <p v-if="at" class="kept" role="status">
    You typed this {{ nearMoment(at) }}, and it was not saved.
    <button type="button" class="link" @click="$emit('anew')">Begin anew</button>
  </p>
</template>

<style scoped>
.kept {
  margin: 0;
  padding: 4px 10px;
  font-size: var(--type-note);
  border: 1px dashed var(--v-edge);
  border-radius: 7px;
}
</style>
