<script setup lang="ts">
import type { Outline } from '@/api/client'

/** Tasks that a list would become, with what lies under them. */
defineProps<{ outlines: Outline[] }>()
</script>

<template>
  <ul>
    <li v-for="(one, index) in outlines" :key="index">
      <span :class="{ done: one.done }">
        <i aria-hidden="true">{{ one.done ? '☑' : '☐' }}</i> {{ one.title }}
        <span v-if="one.done" class="sr-only">, done</span>
      </span>
      <OutlineTree v-if="one.under?.length" :outlines="one.under" />
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

ul ul {
  padding-left: 22px;
}

li {
  padding: 2px 0;
  overflow-wrap: anywhere;
}

i {
  font-style: normal;
  color: var(--v-slate);
}

.done {
  color: var(--v-slate);
  text-decoration: line-through;
}
</style>
