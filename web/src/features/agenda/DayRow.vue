<script setup lang="ts">
import { computed, ref } from 'vue'
import type { AgendaDay, TaskRow } from '@/shared/api/client'
import { now } from '@/shared/time/clock'
import { day as dayText, time, today } from '@/shared/time/format'
import IndexTab from '@/ui/IndexTab.vue'
import { PlainButton } from '@/ui/kit'
import { shortSpan } from '@/shared/time/span'
import ThingCard from './ThingCard.vue'
import { useDrawing } from './drawing'
import { clashing, hoursOf, isInPocket, linkOf, NAME, needed, partOf, type Spot, type Thing } from './things'
import { lanes, minutesOf, part, quarterAt, timeOf, type Span } from './place'

/** What is on its way: a thing, or a task that lies nowhere yet; and where in it it was taken hold of, in minutes. */
export interface Held {
  thing?: Thing
  task?: string
  grab: number
}

/** A day as a row: its hours from left to right, what has no hour in its pocket, its balance at the end. */
const props = defineProps<{
  day: AgendaDay
  things: readonly Thing[]
  tasks: ReadonlyMap<string, TaskRow>
  shown: Span
  held: Held | null
  /** What is being written, and from when on */
  writing: Span | null
  /** Nothing is written on its hours here */
  readOnly?: boolean
}>()
const emit = defineEmits<{
  hold: [what: Held | null]
  /** @param time null: into the pocket */
  put: [what: Held, date: string, time: string | null]
  pull: [thing: Thing, spot: Spot | null]
  /** Something is to be written on these hours */
  write: [date: string, span: Span]
  choose: [date: string]
}>()

const LANE = 46
const hours = ref<HTMLElement>()
const box = () => hours.value?.getBoundingClientRect()
const isToday = computed(() => props.day.date === today())
/** Minutes to a pixel. */
const minute = computed(() => (props.shown.to - props.shown.from) / (hours.value?.clientWidth || 900))
const timed = computed(() => {
  const spans = props.things.flatMap((thing) => {
    const span = partOf(thing, props.day.date)
    return span ? [{ id: thing.ref, needs: needed(thing) * minute.value, ...span }] : []
  })
  return lanes(spans, NAME * minute.value).flatMap((placed) => {
    const thing = props.things.find(({ ref: name_ }) => name_ === placed.id)
    return thing ? [{ thing, placed }] : []
  })
})
const clashes = computed(() => clashing(timed.value.map(({ thing, placed }) => ({ ...placed, thing }))))
const pocket = computed(() => props.things.filter((thing) => isInPocket(thing, props.day.date)))
const due = computed(() => props.day.due.filter((id) => !pocket.value.some(({ task }) => task === id)))
const stone = computed(() => props.day.keystone)
/** The keystone that lies nowhere of this day, and is not due then, stands in its pocket by itself. */
const bare = computed(() => {
  const id = stone.value
  return id && !due.value.includes(id) && !props.day.slots.some(({ task }) => task === id) ? id : null
})
const height = computed(() => Math.max(1, ...timed.value.map(({ placed }) => placed.lane + 1)) * LANE)
const percent = (minutes: number) => `${part(minutes, props.shown) * 100}%`
const work = computed<Span | null>(() =>
  props.day.hours ? { from: minutesOf(props.day.hours.from), to: minutesOf(props.day.hours.to, true) } : null,
)
/** null: another day, or outside of the hours that are shown */
const nowAt = computed(() => {
  const at = minutesOf(time(now.value))
  return isToday.value && at >= props.shown.from && at <= props.shown.to ? at : null
})
const marks = computed(() => {
  const all: number[] = []
  for (let at = props.shown.from; at <= props.shown.to; at += 60) all.push(at)
  return all
})
const over = computed(() => Math.max(0, props.day.promised - props.day.there))
const filled = computed(() => Math.min(1, props.day.promised / Math.max(1, props.day.there)))
const title = (id: string) => props.tasks.get(id)?.title ?? ''
const name = computed(() => {
  const [weekday = '', ...rest] = dayText(props.day.date).split(' ')
  return {
    weekday: isToday.value ? 'Today' : weekday,
    date: (isToday.value ? [weekday] : []).concat(rest).join(' '),
  }
})
const minuteAt = (x: number): number => {
  const at = box()
  return at ? quarterAt((x - at.left) / at.width, props.shown) : 0
}
const startAt = (event: DragEvent) => Math.max(0, minuteAt(event.clientX) - (props.held?.grab ?? 0))
/** Where it would lie when it were let go. */
const landing = ref<Span | null>(null)
function hover(event: DragEvent): void {
  if (!props.held) return
  const from = startAt(event)
  landing.value = { from, to: from + (props.held.thing?.minutes || 30) }
}
function dropped(event: DragEvent): void {
  landing.value = null
  if (props.held) emit('put', props.held, props.day.date, timeOf(startAt(event)))
}

const { drawn, draw } = useDrawing(
  minuteAt,
  (span) => emit('write', props.day.date, span),
  () => props.readOnly === true,
)
const marked = computed(() => drawn.value ?? landing.value ?? props.writing)

/** The hour on which one would write, for the keyboard. */
const cursor = ref(0)
const onHour = computed(() => Math.max(props.shown.from, Math.min(props.shown.to - 60, cursor.value || 600)))
function typed(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const by = { ArrowLeft: -30, ArrowRight: 30 }[event.key]
  if (by) cursor.value = onHour.value + by
  else if (/^\p{L}$/u.test(event.key) || event.key === 'Enter')
    emit('write', props.day.date, { from: onHour.value, to: onHour.value + 60 })
  else return
  event.stopPropagation()
  if (event.key !== 'Enter' && !by) return
  event.preventDefault()
}
</script>

<template>
  <li class="day" :class="{ today: isToday }" :data-date="day.date">
    <div class="name">
      <h2>
        <PlainButton :title="`Only ${name.weekday}`" @click="emit('choose', day.date)">{{
          name.weekday
        }}</PlainButton>
      </h2>
      <span class="slate">{{ name.date }}</span>
    </div>
    <div class="middle">
      <div
        ref="hours"
        class="hours"
        :style="{ minHeight: `${height}px` }"
        @pointerdown="draw"
        @dragover.prevent="hover"
        @dragleave="landing = null"
        @drop.prevent="dropped"
      >
        <i
          v-if="work"
          class="work"
          aria-hidden="true"
          :style="{ left: percent(work.from), right: `${(1 - part(work.to, shown)) * 100}%` }"
        />
        <i v-for="at in marks" :key="at" class="mark" aria-hidden="true" :style="{ left: percent(at) }" />
        <i v-if="nowAt !== null" class="now" aria-hidden="true" :style="{ left: percent(nowAt) }" />
        <i
          v-if="marked"
          class="drawn"
          aria-hidden="true"
          :style="{
            left: percent(marked.from),
            right: `${(1 - part(marked.to, shown)) * 100}%`,
          }"
        />
        <button
          v-if="!readOnly"
          type="button"
          class="empty"
          :style="{ left: percent(onHour) }"
          :aria-label="`${dayText(day.date)}, ${timeOf(onHour)}: write an event or lay a task there`"
          @pointerdown.stop
          @keydown="typed"
          @click="emit('write', day.date, { from: onHour, to: onHour + 60 })"
        >
          {{ timeOf(onHour) }} +
        </button>
        <ThingCard
          v-for="{ thing, placed } in timed"
          :key="thing.ref"
          :thing="thing"
          :placed="placed"
          :shown="shown"
          :lane="LANE"
          :box="box"
          :clash="clashes.has(thing.ref)"
          :stone="!!stone && thing.task === stone"
          @drag="emit('hold', $event === null ? null : { thing, grab: $event })"
          @pull="emit('pull', thing, $event)"
        />
        <div
          v-if="writing"
          class="writing"
          :class="{ left: part(writing.from, shown) > 0.6 }"
          :style="
            part(writing.from, shown) > 0.6
              ? { right: `${(1 - part(writing.to, shown)) * 100}%` }
              : { left: percent(writing.from) }
          "
        >
          <slot name="writing" />
        </div>
      </div>
      <div
        v-if="!readOnly || pocket.length || due.length || held"
        class="pocket"
        @dragover.prevent
        @drop.prevent="held && emit('put', held, day.date, null)"
      >
        <span class="slate any">any time</span>
        <router-link
          v-for="thing in pocket"
          :key="thing.ref"
          class="chip plain"
          :class="[thing.kind, { done: thing.done }]"
          :to="linkOf(thing)"
          :data-ref="thing.ref"
          draggable="true"
          @dragstart="thing.fixed ? $event.preventDefault() : emit('hold', { thing, grab: 0 })"
          @dragend="emit('hold', null)"
          ><b v-if="stone && thing.task === stone" class="stone">keystone</b>{{ thing.title }},
          {{ hoursOf(thing) }}</router-link
        >
        <router-link
          v-for="id in bare ? [bare, ...due] : due"
          :key="id"
          class="chip plain"
          :class="{ due: id !== bare, done: tasks.get(id)?.completedAt }"
          :to="{ name: 'tasks', params: { id } }"
          :data-task="id"
          draggable="true"
          @dragstart="emit('hold', { task: id, grab: 0 })"
          @dragend="emit('hold', null)"
          ><b v-if="id === stone" class="stone">keystone</b>{{ title(id) }}{{ id === bare ? '' : ', due'
          }}<template v-if="tasks.get(id)?.estimate"
            >, {{ shortSpan(tasks.get(id)?.estimate ?? 0) }}</template
          ></router-link
        >
      </div>
    </div>
    <div class="balance">
      <template v-if="!day.hours && day.promised">
        <b>{{ shortSpan(day.promised) }}</b>
        <span class="slate">on a day off</span>
      </template>
      <template v-else-if="day.there || day.promised">
        <b>{{ shortSpan(day.promised) }} of {{ day.there ? shortSpan(day.there) : 'none' }}</b>
        <span class="bar" aria-hidden="true"
          ><i :class="{ over }" :style="{ width: `${(over ? 1 : filled) * 100}%` }"
        /></span>
        <IndexTab v-if="over" near="over">{{ shortSpan(over) }} over</IndexTab>
      </template>
      <span v-else class="slate">free</span>
    </div>
  </li>
</template>

<style scoped src="./day-row.css"></style>
