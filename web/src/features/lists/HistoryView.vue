<script setup lang="ts">
import { computed } from 'vue'
import type { TaskList } from '@/shared/api/client'
import { answer, api } from '@/shared/api/client'
import { useParts } from '@/shared/api/parts'
import { dateOf, day } from '@/shared/time/format'
import { deed, object, subjectOf } from '@/shared/words'
import { time } from '@/shared/time/format'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton } from '@/ui/kit'
import { attempt } from '@/shared/notice'

/** What came into a list, went and moved in it, the newest first. */
const props = defineProps<{ list: TaskList }>()

const parts = useParts(['list-history', () => props.list.id], (after, signal) =>
  answer(
    api.GET('/lists/{id}/history', { signal, params: { path: { id: props.list.id }, query: { after } } }),
  ),
)
const { error, refetch, hasMore } = parts
const items = computed(() => parts.parts.value?.flatMap(({ items: some }) => some))
/** Under each day what happened on it. */
const days = computed(() => {
  const found = new Map<string, NonNullable<typeof items.value>>()
  for (const item of items.value ?? []) {
    const date = dateOf(item.at)
    found.set(date, [...(found.get(date) ?? []), item])
  }
  return [...found].map(([date, all]) => ({ date, all }))
})
</script>

<template>
  <section aria-label="History">
    <p class="head">
      <a class="link" :href="`/api/lists/${list.id}/export`" download>All of it as one text (Markdown)</a>
    </p>
    <FailedState v-if="error && !items" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!items" />
    <EmptyState v-else-if="!items.length" title="Nothing has happened here yet">
      What comes into {{ list.name }}, goes and moves is told here.
    </EmptyState>
    <div v-for="{ date, all } in days" :key="date" class="day">
      <h2>{{ day(date) }}</h2>
      <ul>
        <li v-for="item in all" :key="item.entry?.id ?? item.message?.id ?? item.at">
          <span class="slate at">{{ time(item.at) }}</span>
          <span v-if="item.message">
            {{ item.message.own ? 'You wrote' : `${item.message.who} wrote` }}:
            <router-link
              class="link"
              :to="{ name: 'conversation', params: { id: item.message.conversation } }"
              >{{ subjectOf(item.message) }}</router-link
            >
          </span>
          <span v-else-if="item.entry" :class="{ undone: item.entry.undoneBy }">
            {{ deed(item.entry) }}: {{ object(item.entry) }}
            <span v-if="item.entry.consequence" class="slate">· {{ item.entry.consequence }}</span>
            <span v-if="item.entry.undoneBy" class="slate"> · undone</span>
          </span>
        </li>
      </ul>
    </div>
    <LinkButton v-if="hasMore" @click="attempt(parts.more)">Show what was before</LinkButton>
  </section>
</template>

<style scoped>
.head {
  margin: 0 0 8px;
  font-size: var(--type-note);
}

.day {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  gap: 14px;
  margin-bottom: 10px;
}

h2 {
  margin: 4px 0 0;
  font-size: var(--type-text);
  text-align: right;
}

li {
  display: flex;
  gap: 12px;
  padding: 4px 10px;
  font-size: var(--type-text);
  overflow-wrap: anywhere;
}

.at {
  flex: none;
  font-size: var(--type-note);
  font-variant-numeric: tabular-nums;
}

.undone {
  text-decoration: line-through;
}

@media (max-width: 760px) {
  .day {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }

  h2 {
    text-align: left;
  }
}
</style>
