<script setup lang="ts">
import { computed } from 'vue'
import type { ConversationRow } from '@/api/client'
import { claimOf, useDeciding } from '@/api/deciding'
import { useAway } from '@/api/reading'
import { useKeys } from '@/keys/registry'
import ConversationLine from '@/parts/ConversationLine.vue'
import DayStretch from '@/parts/DayStretch.vue'
import EmptyState from '@/parts/EmptyState.vue'
import FailedState from '@/parts/FailedState.vue'
import IndexTab from '@/parts/IndexTab.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import { attempt } from '@/parts/notice'
import { useSelection } from '@/parts/selection'
import { dateOf, day, daysAhead, nearMoment, nearness, time } from '@/time/format'

const { decide } = useDeciding()
const { data, error, refetch } = useAway()
const rows = computed(() => data.value ?? [])
const { current, goTo, meant } = useSelection(rows)

interface Day {
  date: string
  head: string
  sub: string
  rows: { row: ConversationRow; index: number }[]
}

const days = computed(() => {
  const found: Day[] = []
  rows.value.forEach((row, index) => {
    const date = dateOf(row.awayUntil ?? row.latestAt)
    if (found.at(-1)?.date !== date) {
      const [weekday = '', number = '', month = '', year = ''] = day(date).split(' ')
      const ahead = daysAhead(date)
      const sub = ahead === 0 ? 'today' : ahead === 1 ? 'tomorrow' : `${weekday}, ${month} ${year}`.trim()
      found.push({ date, head: number, sub, rows: [] })
    }
    found.at(-1)?.rows.push({ row, index })
  })
  return found
})

function awayNote(row: ConversationRow): string | undefined {
  if (row.owedBy) return `${row.owedBy} owes you an answer`
  return row.snoozes > 1 ? `put off ${row.snoozes} times` : undefined
}

const bringBack = (rows: ConversationRow[]) => attempt(() => decide('bring_back', rows.map(claimOf)))

useKeys('Coming back', [
  { key: 'ArrowDown', label: 'Next row', run: () => void goTo(current.value + 1) },
  { key: 'ArrowUp', label: 'Previous row', run: () => void goTo(current.value - 1) },
  {
    key: 'Backspace',
    label: 'Bring back now',
    when: () => meant.value.length > 0,
    run: () => void bringBack(meant.value),
  },
])
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1>
        Coming back
        <small v-if="rows[0]?.awayUntil"
          >{{ rows.length }} away, the next {{ nearMoment(rows[0].awayUntil) }}</small
        >
      </h1>
    </div>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!rows.length" title="Nothing is away">
      What you snooze waits here and comes back to the tray by itself at its moment.
      <template #actions><v-btn variant="outlined" to="/">Go to the tray</v-btn></template>
    </EmptyState>
    <DayStretch v-for="stretch in days" :key="stretch.date" :head="stretch.head" :sub="stretch.sub">
      <ConversationLine
        v-for="{ row, index } in stretch.rows"
        :key="row.id"
        :row="row"
        :selectable="false"
        :current="index === current"
        :note="awayNote(row)"
        @focusin="current = index"
      >
        <button class="link" type="button" @click="bringBack([row])">Bring back now</button>
        <IndexTab v-if="row.awayUntil" :near="nearness(stretch.date)">{{ time(row.awayUntil) }}</IndexTab>
      </ConversationLine>
    </DayStretch>
  </div>
</template>

<style scoped>
:deep(.line) {
  min-height: 46px;
}
</style>
