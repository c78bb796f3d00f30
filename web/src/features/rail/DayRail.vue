<script setup lang="ts">
import { useWindowSize } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import type { DayGlance } from '@/shared/api/client'
import { EVERYWHERE, useKeys } from '@/shared/keys/registry'
import { day } from '@/shared/time/format'
import DayPanel from './DayPanel.vue'
import {
  shortSpan,
  consequence,
  onItsWay,
  sending,
  stopSending,
  usePuttingDown,
  type Row,
} from '@/features/tasks'
import { counted } from '@/shared/words'
import { useDays } from './queries'
import { PlainButton } from '@/ui/kit'

/** The coming days along the lower edge: what each holds, and where things are put down on a day. */
const { width } = useWindowSize()
const count = computed(() => Math.max(4, Math.min(14, Math.floor(width.value / 106))))
const { data: days } = useDays(count)
const put = usePuttingDown()

const unfolded = ref<string | null>(null)
const target = ref<{ date: string; row: Row } | null>(null)
const rows = computed<{ row: Row; text: string }[]>(() => {
  const isMail = onItsWay.value?.kind === 'conversation'
  return [
    { row: 'due', text: isMail ? 'A task, due' : 'Due' },
    { row: 'back', text: isMail ? 'Comes back' : 'Put off until' },
  ]
})
const backOn = (date: string) => days.value?.find((one) => one.date === date)?.back ?? null
const said = computed(() =>
  onItsWay.value && target.value
    ? consequence(onItsWay.value, target.value.row, target.value.date, backOn(target.value.date))
    : '',
)

watch(sending, async (what) => {
  unfolded.value = null
  target.value = what && days.value?.[1] ? { date: days.value[1].date, row: 'due' } : null
  await nextTick()
  if (what) document.querySelector<HTMLElement>('.rail')?.focus()
})

function step(days_: number, row?: Row): void {
  const all = days.value ?? []
  const at = all.findIndex(({ date }) => date === target.value?.date)
  const next = all[Math.max(0, Math.min(all.length - 1, at + days_))]
  if (next) target.value = { date: next.date, row: row ?? target.value?.row ?? 'due' }
}

const parts = (one: DayGlance) =>
  [
    one.tasks ? counted(one.tasks, 'task') : '',
    one.returns ? `${one.returns} back` : '',
    one.starts ? counted(one.starts, 'start') : '',
    one.minutes ? shortSpan(one.minutes) : '',
  ].filter(Boolean)
/** As much as a tab holds, without cutting a word. */
const HOLDS = 16
const short = ([first = '', second = '']: string[]) =>
  second && `${first} · ${second}`.length <= HOLDS ? `${first} · ${second}` : first
const name = (date: string) =>
  date === days.value?.[0]?.date ? 'Today' : day(date).split(' ').slice(0, 2).join(' ')
const isFree = (date: string) => [0, 6].includes(new Date(date + 'T12:00Z').getUTCDay())

useKeys(EVERYWHERE, [
  {
    key: 'Escape',
    label: 'Fold the day',
    when: () => unfolded.value !== null,
    run: () => (unfolded.value = null),
  },
])
useKeys('Send to a day', [
  { key: 'ArrowRight', label: 'A day later', when: () => !!sending.value, run: () => step(1) },
  { key: 'ArrowLeft', label: 'A day earlier', when: () => !!sending.value, run: () => step(-1) },
  { key: 'ArrowUp', label: 'Due then', when: () => !!sending.value, run: () => step(0, 'due') },
  { key: 'ArrowDown', label: 'Back then', when: () => !!sending.value, run: () => step(0, 'back') },
  {
    key: 'Enter',
    label: 'Put it down',
    when: () => !!sending.value && !!target.value,
    run: () => target.value && void put(target.value.row, target.value.date),
  },
  { key: 'Escape', label: 'Leave it', when: () => !!sending.value, run: stopSending },
])
</script>

<template>
  <div
    v-if="days"
    class="rail"
    :class="{ two: onItsWay }"
    role="region"
    aria-label="The coming days"
    tabindex="-1"
  >
    <p v-if="onItsWay" class="said" role="status">
      {{ said || 'Put it down on a day.' }}
      <span v-if="sending" class="slate">← → day, ↑ ↓ row, Enter puts it down, Esc leaves it</span>
    </p>
    <template v-if="onItsWay">
      <div v-for="{ row, text } in rows" :key="row" class="days targets">
        <span class="row-name">{{ text }}</span>
        <PlainButton
          v-for="one in days"
          :key="one.date"
          class="day"
          :class="{ on: target?.date === one.date && target.row === row, free: isFree(one.date) }"
          :aria-label="`${text} ${day(one.date)}`"
          @dragover.prevent="target = { date: one.date, row }"
          @dragleave="target = null"
          @drop.prevent="put(row, one.date)"
          @click="put(row, one.date)"
          @mouseenter="target = { date: one.date, row }"
        >
          <b>{{ name(one.date) }}</b>
        </PlainButton>
      </div>
    </template>
    <div v-else class="days">
      <div v-for="one in days" :key="one.date" class="slot">
        <DayPanel
          v-if="unfolded === one.date"
          :date="one.date"
          :end="one.date > (days[Math.floor(days.length / 2)]?.date ?? '')"
          @close="unfolded = null"
        />
        <PlainButton
          class="day"
          :class="{ full: one.tasks + one.returns > 0, free: isFree(one.date), on: unfolded === one.date }"
          :aria-expanded="unfolded === one.date"
          :aria-label="`${day(one.date)}: ${parts(one).join(', ') || 'nothing'}`"
          @click="unfolded = unfolded === one.date ? null : one.date"
        >
          <b>{{ name(one.date) }}</b>
          <span>{{ short(parts(one)) }}</span>
        </PlainButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.rail {
  position: fixed;
  z-index: 910;
  left: 0;
  right: 0;
  bottom: 0;
  padding: 0 12px;
  background: var(--v-rim);
  border-top: 1px solid var(--v-edge);
  outline: none;
}

.days {
  display: flex;
  gap: 3px;
  justify-content: center;
}

.slot {
  position: relative;
  flex: 1 1 0;
  min-width: 0;
  max-width: 118px;
}

.day {
  display: grid;
  width: 100%;
  height: 40px;
  align-content: center;
  padding: 0 8px;
  line-height: 1.2;
  color: var(--v-slate);
  text-align: left;
  border-radius: 0 0 8px 8px;
}

.day b {
  font-size: var(--type-small);
  font-weight: 600;
}

.day span {
  overflow: hidden;
  font-size: var(--type-mark);
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* an index tab that stands out of the edge when the day holds something */
.day.full {
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  box-shadow: 0 1px 2px rgb(30 44 53 / 12%);
}

.day.free:not(.full) {
  opacity: 0.72;
}

.day:hover,
.day.on {
  background: var(--v-tab-soon);
  color: var(--v-tab-soon-ink);
}

.two {
  padding: 6px 12px 8px;
}

.targets {
  align-items: center;
  margin-top: 4px;
}

.targets .day {
  flex: 1 1 0;
  min-width: 0;
  max-width: 104px;
  height: 34px;
  text-align: center;
  border: 1px dashed var(--v-edge);
  border-radius: 8px;
}

.targets .day.on {
  background: var(--v-tab-near);
  color: var(--v-tab-near-ink);
  border-color: var(--v-tab-near-ink);
}

.row-name {
  width: 96px;
  flex: none;
  font-size: var(--type-small);
  font-weight: 600;
}

.said {
  margin: 0;
  font-weight: 600;
  text-align: center;
}

.said .slate {
  margin-left: 14px;
  font-size: var(--type-small);
  font-weight: 400;
}

@media (max-width: 760px) {
  .rail {
    padding: 0 4px;
  }

  .two {
    padding: 6px 4px;
  }

  .day {
    padding: 0 5px;
  }

  .row-name {
    width: 62px;
    font-size: var(--type-mark);
  }
}
</style>
