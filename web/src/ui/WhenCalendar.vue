<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/shared/api/session'
import { day, today } from '@/shared/time/format'

/** A month to choose a day from, by mouse or arrows. */
const props = defineProps<{ date: string | null }>()
const emit = defineEmits<{ pick: [date: string] }>()

const { account } = useSession()
const weekStart = computed(() => account.value?.settings.weekStart ?? 1)
const NAMES = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']
const heads = computed(() => [...NAMES.slice(weekStart.value - 1), ...NAMES.slice(0, weekStart.value - 1)])

const utc = (date: string) => new Date(date + 'T12:00:00Z')
const iso = (date: Date) => date.toISOString().slice(0, 10)
const month = ref((props.date ?? today()).slice(0, 7))
watch(
  () => props.date,
  (date) => {
    if (date) month.value = date.slice(0, 7)
  },
)
const title = computed(() =>
  utc(month.value + '-01').toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' }),
)
const days = computed(() => {
  const first = utc(month.value + '-01')
  const before = (((first.getUTCDay() + 6) % 7) + 1 - weekStart.value + 7) % 7
  return Array.from({ length: 42 }, (_, index) => {
    const date = new Date(first)
    date.setUTCDate(1 - before + index)
    return iso(date)
  })
})

function turn(by: number): void {
  const date = utc(month.value + '-01')
  date.setUTCMonth(date.getUTCMonth() + by)
  month.value = iso(date).slice(0, 7)
}

function move(event: KeyboardEvent, from: string): void {
  const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key]
  if (!by) return
  event.preventDefault()
  const date = utc(from)
  date.setUTCDate(date.getUTCDate() + by)
  const to = iso(date)
  month.value = to.slice(0, 7)
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-day="${to}"]`)?.focus())
}
</script>

<template>
  <div class="sheet month">
    <div class="head">
      <button type="button" class="turn" aria-label="Month before" @click="turn(-1)">‹</button>
      <b>{{ title }}</b>
      <button type="button" class="turn" aria-label="Next month" @click="turn(1)">›</button>
    </div>
    <div class="grid">
      <span v-for="head in heads" :key="head" class="slate">{{ head }}</span>
      <button
        v-for="one in days"
        :key="one"
        type="button"
        :data-day="one"
        :class="{ out: one.slice(0, 7) !== month, now: one === today(), on: one === date }"
        :aria-label="day(one)"
        @click="emit('pick', one)"
        @keydown="move($event, one)"
      >
        {{ Number(one.slice(8)) }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.month {
  width: 268px;
  padding: 12px 14px 14px;
}

.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 6px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(7, 1fr);
  gap: 2px;
  text-align: center;
  font-variant-numeric: tabular-nums;
}

.grid span {
  font-size: var(--type-small);
  padding: 4px 0;
}

button {
  font: inherit;
  font-size: var(--type-note);
  color: inherit;
  background: none;
  border: 0;
  border-radius: 6px;
  cursor: pointer;
}

.grid button {
  padding: 5px 0;
}

.turn {
  width: 30px;
  font-size: var(--type-head);
  line-height: 1.3;
}

button:hover {
  background: var(--v-sea-soft);
}

.out {
  color: var(--v-slate);
  opacity: 0.75;
}

.now {
  font-weight: 700;
  box-shadow: inset 0 -2px rgb(var(--v-theme-warning));
}

.on {
  color: rgb(var(--v-theme-on-primary));
  background: rgb(var(--v-theme-primary));
}
</style>
