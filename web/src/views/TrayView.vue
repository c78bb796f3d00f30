<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { ConversationRow } from '@/api/client'
import { useCounts, useTray } from '@/api/reading'
import { useKeys } from '@/keys/registry'
import ConversationLine from '@/parts/ConversationLine.vue'
import DecisionCards from '@/parts/DecisionCards.vue'
import EmptyState from '@/parts/EmptyState.vue'
import FailedState from '@/parts/FailedState.vue'
import IndexTab from '@/parts/IndexTab.vue'
import KeyCap from '@/parts/KeyCap.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import { useSelection } from '@/parts/selection'
import { counted } from '@/parts/words'
import { age, dateOf, daysAhead, nearDay, nearMoment } from '@/time/format'

const router = useRouter()
const { data, error, refetch } = useTray()
const { data: counts } = useCounts()
const rows = computed(() => data.value ?? [])
const { current, selected, goTo, clicked, select, clear, toggleCurrent, extend, meant } = useSelection(rows)

/** The server gives so many rows at the most; what was taken out of the list a moment ago is not counted any more. */
const MOST = 500
const total = computed(() =>
  rows.value.length < MOST ? rows.value.length : (counts.value?.tray ?? rows.value.length),
)

function groupOf(row: ConversationRow): string {
  if (row.returned) return 'Back with you'
  const days = -daysAhead(dateOf(row.latestAt))
  if (days <= 0) return 'Today'
  if (days === 1) return 'Yesterday'
  return days < 7 ? 'In the last week' : 'Older'
}

/** Rows come in order of age, so that a group is a stretch of them. */
const groups = computed(() => {
  const found: { name: string; rows: { row: ConversationRow; index: number }[] }[] = []
  rows.value.forEach((row, index) => {
    const name = groupOf(row)
    if (found.at(-1)?.name !== name) found.push({ name, rows: [] })
    found.at(-1)?.rows.push({ row, index })
  })
  return found
})

/** What came back has waited since its return. */
const waitingSince = (row: ConversationRow) => (row.returned && row.awayUntil) || row.latestAt
const oldest = computed(() => rows.value.map(waitingSince).sort()[0] ?? '')

function comeBack(row: ConversationRow): string {
  return row.snoozes > 1 ? `put off ${row.snoozes} times` : 'put off once'
}

async function afterDeciding(): Promise<void> {
  clear()
  if (current.value >= 0) await goTo(current.value)
}

useKeys('Tray', [
  { key: 'ArrowDown', label: 'Next row', run: () => void goTo(current.value + 1) },
  { key: 'ArrowUp', label: 'Previous row', run: () => void goTo(current.value - 1) },
  { key: 'Home', label: 'First row', run: () => void goTo(0) },
  { key: 'End', label: 'Last row', run: () => void goTo(rows.value.length - 1) },
  {
    key: 'Enter',
    label: 'Open the conversation',
    when: () => current.value >= 0,
    run: () => {
      const row = rows.value[current.value]
      if (row) void router.push({ name: 'conversation', params: { id: row.id } })
    },
  },
  { key: 'Ctrl+ ', label: 'Select the row, or not', run: toggleCurrent },
  { key: 'Shift+ArrowDown', label: 'Select downwards', run: () => void extend(1) },
  { key: 'Shift+ArrowUp', label: 'Select upwards', run: () => void extend(-1) },
  { key: 'Ctrl+a', label: 'Select all', run: () => select(rows.value.map(({ id }) => id)) },
  { key: 'Escape', label: 'Select nothing', when: () => selected.value.size > 0, run: clear },
])
</script>

<template>
  <div class="view">
    <div class="view-head stick">
      <h1 v-if="rows.length">
        {{ total }} to decide
        <small v-if="!selected.size">
          {{ counts?.decidedToday ? `${counts.decidedToday} decided today, ` : '' }}the oldest has waited
          {{ age(oldest) }}
        </small>
        <small v-else
          >{{ counted(selected.size, 'conversation') }} selected
          <button class="link" type="button" @click="clear">Select none</button></small
        >
      </h1>
      <h1 v-else>Tray</h1>
      <DecisionCards
        v-if="rows.length"
        :rows="meant"
        bar
        :class="{ idle: !selected.size }"
        @decided="afterDeciding"
      />
    </div>

    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!rows.length" title="Nothing to decide">
      Everything has its place.
      <template v-if="counts?.nextReturn"
        >What you put off comes back next {{ nearMoment(counts.nextReturn) }}.</template
      >
      <template v-else>When mail comes in, it waits for you here.</template>
      <template #actions>
        <v-btn variant="outlined" to="/tasks">Look at the tasks</v-btn>
        <v-btn color="primary" to="/import">Bring mail in</v-btn>
      </template>
    </EmptyState>
    <template v-else>
      <section v-for="group in groups" :key="group.name" :aria-label="group.name">
        <h2 class="group">
          {{ group.name }} <span class="slate">{{ group.rows.length }}</span>
          <button class="link" type="button" @click="select(group.rows.map(({ row }) => row.id))">
            Select {{ group.rows.length }}
          </button>
        </h2>
        <ul class="rows">
          <ConversationLine
            v-for="{ row, index } in group.rows"
            :key="row.id"
            :row="row"
            :current="index === current"
            :selected="selected.has(row.id)"
            :note="row.returned ? comeBack(row) : undefined"
            @select="clicked(index, $event.shiftKey)"
            @focusin="current = index"
          >
            <IndexTab v-if="row.returned && row.awayUntil" near="near"
              >back {{ nearDay(dateOf(row.awayUntil)) }}</IndexTab
            >
          </ConversationLine>
        </ul>
      </section>
      <p v-if="total > rows.length" class="slate hint">
        These are the {{ rows.length }} newest of {{ total }}. As you decide them, the older ones come up.
      </p>
      <p class="slate hint">
        <KeyCap name="ArrowUp" /> <KeyCap name="ArrowDown" /> move · <KeyCap name="Enter" /> opens ·
        <KeyCap name="Ctrl+ " /> selects · <KeyCap name="?" /> all keys
      </p>
    </template>
  </div>
</template>

<style scoped>
.stick {
  position: sticky;
  top: 54px;
  z-index: 30;
  margin: -18px -10px 0;
  padding: 14px 10px 8px;
  background: rgb(var(--v-theme-background));
}

.stick > .cards {
  position: relative;
}

.group:first-child {
  margin-top: 4px;
}

.hint {
  margin-top: 18px;
  font-size: 13.5px;
}

@media (max-width: 760px) {
  .stick > .cards {
    width: 100%;
  }

  .stick {
    top: 92px;
  }

  .hint,
  .idle {
    display: none;
  }
}
</style>
