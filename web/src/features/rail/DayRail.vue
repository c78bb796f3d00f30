<script setup lang="ts">
import { useElementSize, useWindowSize } from '@vueuse/core'
import { computed, nextTick, onScopeDispose, ref, watch } from 'vue'
import type { DayGlance } from '@/shared/api/client'
import { EVERYWHERE, useKeys } from '@/shared/keys/registry'
import { day } from '@/shared/time/format'
import DayPanel from './DayPanel.vue'
import RailLists from './RailLists.vue'
import { consequence, onItsWay, sending, stopSending, usePuttingDown, type Row } from '@/features/tasks'
import { counted } from '@/shared/words'
import { useBalances } from '@/features/agenda'
import { useDays } from './queries'
import { PlainButton } from '@/ui/kit'
import { shortSpan } from '@/shared/time/span'

/** The coming days along the lower edge: what each holds, and where things are put down on a day. */
const { width } = useWindowSize()
/** It grows while something is on its way to a day; what stands above it goes along. */
const root = ref<HTMLElement>()
const { height } = useElementSize(root, undefined, { box: 'border-box' })
watch(height, (now) => document.documentElement.style.setProperty('--rail-now', `${Math.ceil(now)}px`))
onScopeDispose(() => document.documentElement.style.removeProperty('--rail-now'))
const count = computed(() => Math.max(4, Math.min(14, Math.floor(width.value / 106))))
const { data: days } = useDays(count)
const { data: balances } = useBalances(count)
/** How full a day is; null: nothing is promised */
const balanceOf = (date: string) => {
  const one = balances.value?.find((day_) => day_.date === date)
  if (!one?.promised) return null
  return { part: Math.min(1, one.promised / Math.max(1, one.there)), over: one.promised > one.there }
}
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
const holds = (one: DayGlance) =>
  [...parts(one), balanceOf(one.date)?.over ? 'more than fits' : ''].filter(Boolean).join(', ')
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
    ref="root"
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
      <RailLists />
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
          :aria-label="`${day(one.date)}: ${holds(one) || 'nothing'}`"
          @click="unfolded = unfolded === one.date ? null : one.date"
        >
          <b>{{ name(one.date) }}</b>
          <span>{{ short(parts(one)) }}</span>
          <i
            v-if="balanceOf(one.date)"
            class="balance"
            :class="{ over: balanceOf(one.date)?.over }"
            aria-hidden="true"
            :style="{ width: `${(balanceOf(one.date)?.part ?? 0) * 100}%` }"
          />
        </PlainButton>
      </div>
    </div>
  </div>
</template>

<style scoped src="./day-rail.css"></style>
