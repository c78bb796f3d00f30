<script setup lang="ts">
import type { Outline } from '@/shared/api/client'

/** Tasks that a list would become, with what lies under them. */
defineProps<{ outlines: Outline[] }>()
</script>

<template>
  <ul>
    <li v-for="(one, index) in outlines" :key="index">
      <span :class="{ done: one.done }">
        <i aria-hidden="true">{{ one.done ? '☑' : '☐' }}</i> {{ one.clauses?.[0]?.text ?? one.title }}
        <span v-if="one.done" class="sr-only">, done</span>
      </span>
      <span
        v-for="clause in one.clauses?.slice(1)"
        :key="clause.from"
        class="clause"
        :class="{ unread: clause.kind === 'unread' }"
        :title="clause.odd || clause.text"
        >{{ clause.kind === 'unread' ? `${clause.text}: into the notes` : clause.reading
        }}<template v-if="clause.odd"> ({{ clause.odd }})</template></span
      >
      <OutlineTree v-if="one.under?.length" :outlines="one.under" />
    </li>
  </ul>
</template>

<style scoped>
ul ul {
  padding-left: 22px;
}

li {
  padding: 2px 0;
  overflow-wrap: anywhere;
}

.clause {
  margin-left: 6px;
  padding: 1px 7px;
  font-size: var(--type-small);
  background: var(--v-sea-soft);
  border-radius: 6px;
}

.clause.unread {
  color: rgb(var(--v-theme-error));
  background: none;
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
