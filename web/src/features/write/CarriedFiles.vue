<script setup lang="ts">
import { size } from '@/shared/time/format'
import { TickBox } from '@/ui/kit'

/** Which attachments of the forwarded message go with it, by their places. */
defineProps<{ files: { place: number; name: string; size: number }[] }>()
const carried = defineModel<number[]>({ required: true })
</script>

<template>
  <ul class="carried" aria-label="Attachments that go with it">
    <li v-for="one in files" :key="one.place">
      <label
        ><TickBox v-model="carried" :value="one.place" /> {{ one.name }}
        <span class="slate">{{ size(one.size) }}</span></label
      >
    </li>
  </ul>
</template>

<style scoped>
.carried {
  margin: 0 0 8px;
  font-size: var(--type-text);
}
</style>
