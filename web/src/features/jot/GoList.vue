<script setup lang="ts">
import KeyCap from '@/ui/KeyCap.vue'
import type { Going } from './go'

/** What the line names, the chosen one marked; at the end, that it is a task after all. */
defineProps<{ goings: Going[]; at: number }>()
defineEmits<{ take: [index: number] }>()
</script>

<template>
  <!-- chosen with the keys of the field, or by a click -->
  <ul id="goings" role="listbox" aria-label="Go there, or do it">
    <li
      v-for="(going, index) in goings"
      :key="going.id"
      role="option"
      :aria-selected="index === at"
      :class="{ at: index === at }"
      @click="$emit('take', index)"
    >
      <span class="slate kind">{{ going.kind }}</span>
      <span class="text">{{ going.text }}</span>
      <span v-if="going.hint" class="slate">{{ going.hint }}</span>
      <KeyCap v-if="going.key" :name="going.key" />
    </li>
    <li
      role="option"
      :aria-selected="at === goings.length"
      :class="{ at: at === goings.length }"
      @click="$emit('take', goings.length)"
    >
      <span class="slate kind">jot</span> <span class="text">Write it down as a task</span>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 4px 12px;
  cursor: pointer;
  border-radius: 7px;
}

li.at,
li:hover {
  background: var(--v-sea-soft);
  border-radius: 7px;
}

.kind {
  width: 70px;
  font-size: var(--type-small);
}

.text {
  flex: 1;
}
</style>
