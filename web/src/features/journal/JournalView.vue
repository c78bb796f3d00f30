<script setup lang="ts">
import { computed } from 'vue'
import type { Entry } from '@/shared/api/client'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import { capitalised, deed, object } from '@/shared/words'
import { dateOf, nearDay, time } from '@/shared/time/format'
import { useJournal } from './queries'
import { useUndo } from '@/shared/steps/undo'
import { LinkButton } from '@/ui/kit'

const { undo } = useUndo()
const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useJournal()
const entries = computed(() => data.value?.pages.flatMap((page) => page.entries) ?? [])

const days = computed(() => {
  const found: { date: string; entries: Entry[] }[] = []
  for (const entry of entries.value) {
    const date = dateOf(entry.at)
    if (found.at(-1)?.date !== date) found.push({ date, entries: [] })
    found.at(-1)?.entries.push(entry)
  }
  return found
})

function state(entry: Entry): string {
  if (entry.undoneBy) return entry.kind === 'undo' ? 'done again' : 'undone'
  return entry.kind === 'empty_bin' ? 'cannot be undone' : ''
}
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1>Journal <small>everything that was decided; each step can be undone</small></h1>
    </div>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!entries.length" title="Nothing decided yet">
      Every decision is written down here, and each of them can be undone.
      <template #actions><v-btn variant="outlined" to="/">Go to the tray</v-btn></template>
    </EmptyState>
    <section v-for="group in days" :key="group.date" :aria-label="nearDay(group.date)">
      <h2 class="group">{{ capitalised(nearDay(group.date)) }}</h2>
      <ul class="rows">
        <li
          v-for="entry in group.entries"
          :key="entry.id"
          class="entry"
          :class="{ gone: entry.undoneBy }"
          :data-entry="entry.number"
        >
          <span class="slate at">{{ time(entry.at) }}</span>
          <span class="deed">{{ deed(entry) }}</span>
          <span class="what">{{ object(entry) }}</span>
          <span class="slate follows">{{ entry.consequence }}</span>
          <LinkButton
            v-if="entry.undoable"
            :aria-label="`Undo: ${deed(entry)}: ${object(entry)}`"
            @click="attempt(() => undo(entry))"
          >
            Undo
          </LinkButton>
          <span v-else class="slate state">{{ state(entry) }}</span>
        </li>
      </ul>
    </section>
    <p v-if="hasNextPage" class="more">
      <v-btn variant="outlined" :loading="isFetchingNextPage" @click="fetchNextPage()"
        >Show what came before</v-btn
      >
    </p>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: 48px 140px minmax(0, 1fr) 230px 110px;
  gap: 14px;
  align-items: center;
  min-height: 38px;
  padding: 4px 16px;
}

.at {
  font-variant-numeric: tabular-nums;
  font-size: var(--type-note);
}

.deed {
  font-weight: 600;
}

.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.follows,
.state {
  font-size: var(--type-note);
}

.entry > :last-child {
  justify-self: end;
}

.gone .deed,
.gone .what {
  text-decoration: line-through;
  color: var(--v-slate);
}

.more {
  text-align: center;
  margin-top: 18px;
}

@media (max-width: 760px) {
  .entry {
    grid-template-columns: 44px minmax(0, 1fr) auto;
    grid-template-areas: 'at deed undo' 'at what what' 'at follows follows';
    gap: 0 10px;
    padding: 8px 12px;
  }

  .deed {
    grid-area: deed;
  }

  .what {
    grid-area: what;
  }

  .follows {
    grid-area: follows;
  }
}
</style>
