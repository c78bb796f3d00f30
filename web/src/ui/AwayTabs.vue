<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useCounts } from '@/shared/api/heartbeat'

/** The pages of what is away: by time, by who owes it, and what goes out. */
const route = useRoute()
const { data: counts } = useCounts()
const pages = computed(() => [
  { name: 'away', text: 'By time', count: undefined },
  { name: 'owed', text: 'Owed to you', count: counts.value?.owed },
  { name: 'going-out', text: 'Drafts and going out', count: counts.value?.drafts },
])
</script>

<template>
  <div class="view-head">
    <h1><slot>Coming back</slot></h1>
    <nav class="pages" aria-label="Pages of Coming back">
      <router-link
        v-for="page in pages"
        :key="page.name"
        class="plain"
        :to="{ name: page.name }"
        :aria-current="route.name === page.name ? 'page' : undefined"
        >{{ page.text }}<b v-if="page.count">{{ page.count }}</b></router-link
      >
      <b v-if="counts?.troubles" class="trouble">{{ counts.troubles }} not sent</b>
    </nav>
  </div>
</template>

<style scoped>
.pages {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
}

a {
  padding: 3px 0;
  color: var(--v-slate);
  border-bottom: 2px solid transparent;
}

a[aria-current] {
  font-weight: 600;
  color: inherit;
  border-bottom-color: rgb(var(--v-theme-primary));
}

b {
  margin-left: 6px;
  font-weight: 600;
}

.trouble {
  color: rgb(var(--v-theme-error));
}
</style>
