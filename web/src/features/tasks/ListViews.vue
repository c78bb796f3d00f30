<script setup lang="ts">
import { computed } from 'vue'
import type { TaskList } from '@/shared/api/client'

/** What a list holds, seen one way or another. */
const props = defineProps<{ list: TaskList; here: string }>()

const views = computed(() => [
  {
    key: 'todo',
    text: 'To do',
    count: props.list.open,
    to: { name: 'tasks', query: { by: 'list', list: props.list.id } },
  },
  ...[
    { key: 'stages', text: 'Stages', count: 0 },
    { key: 'mail', text: 'Mail', count: props.list.conversations },
    { key: 'look-up', text: 'To look up', count: props.list.references },
    { key: 'history', text: 'History', count: 0 },
    { key: 'people', text: 'People', count: 0 },
  ].map((view) => ({ ...view, to: { name: 'list', params: { id: props.list.id, view: view.key } } })),
])
</script>

<template>
  <header class="list-views">
    <h1>{{ list.name }}</h1>
    <nav :aria-label="`Pages of ${list.name}`">
      <router-link
        v-for="view in views"
        :key="view.key"
        class="plain"
        :to="view.to"
        :aria-current="view.key === here ? 'page' : undefined"
        >{{ `${view.text} ` }}<small v-if="view.count">{{ view.count }}</small></router-link
      >
    </nav>
  </header>
</template>

<style scoped>
.list-views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  margin: 0 0 8px;
}

h1 {
  margin: 0 auto 0 0 !important;
  overflow-wrap: anywhere;
}

nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}

a {
  padding: 3px 0;
  color: var(--v-slate);
  border-bottom: 2px solid transparent;
}

small {
  margin-left: 5px;
}

a[aria-current] {
  font-weight: 600;
  color: inherit;
  border-bottom-color: rgb(var(--v-theme-primary));
}
</style>
