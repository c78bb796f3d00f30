<script setup lang="ts">
import type { TaskList } from '@/shared/api/client'
import ListNote from './ListNote.vue'

/** What a list holds, seen one way or another. */
defineProps<{ list: TaskList }>()
</script>

<template>
  <p class="list-views">
    <b>{{ list.name }}</b>
    <span aria-current="page">To do</span>
    <router-link class="link" :to="{ name: 'find', query: { list: list.id } }"
      >Mail {{ list.conversations || '' }}</router-link
    >
  </p>
  <ListNote :id="list.id" :key="list.id" />
</template>

<style scoped>
.list-views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  margin: 0 0 8px;
}

b {
  margin-right: auto;
  font-size: var(--type-lead);
}

[aria-current] {
  font-weight: 600;
}
</style>
