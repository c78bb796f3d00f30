<script setup lang="ts">
import { computed, ref } from 'vue'
import { hoursOf, linkOf, type Spot, type Thing } from './things'
import { part, quarterAt, type Placed, type Span } from './place'
import { minutesOf, timeOf } from './place'

/** A slot or an event where it lies in the hours of a day: its name stands in it, or beside it where it is too short for it. */
const props = defineProps<{
  thing: Thing
  placed: Placed
  shown: Span
  /** Pixels of one lane */
  lane: number
  /** The hours of the day on screen */
  box: () => DOMRect | undefined
  /** Something else takes place at the same time */
  clash: boolean
  /** It is what makes its day a good one */
  stone: boolean
}>()
const emit = defineEmits<{
  /** @param grab minutes from its beginning to where it was taken hold of */
  drag: [grab: number | null]
  /** While an edge is pulled; null: it was let go */
  pull: [spot: Spot | null]
}>()

/** So near the end of what is shown that its name goes back from there. */
const late = computed(() => part(props.placed.from, props.shown) > 0.8)
const percent = (minutes: number) => `${part(minutes, props.shown) * 100}%`
const width = computed(
  () => `${(part(props.placed.to, props.shown) - part(props.placed.from, props.shown)) * 100}%`,
)
const about = computed(() => [hoursOf(props.thing), props.thing.about].filter(Boolean).join(', '))
const minuteAt = (x: number): number => {
  const box = props.box()
  return box ? quarterAt((x - box.left) / box.width, props.shown) : 0
}

const pulling = ref(false)
/** An edge is pulled with the mouse; the other one stays. */
function pull(event: PointerEvent, edge: 'begin' | 'end'): void {
  const from = minutesOf(props.thing.time ?? '00:00')
  const { date, minutes } = props.thing
  const target = event.currentTarget as HTMLElement
  target.setPointerCapture(event.pointerId)
  pulling.value = true
  const move = ({ clientX }: PointerEvent) => {
    const at = minuteAt(clientX)
    const begin = edge === 'begin' ? Math.min(at, from + minutes - 15) : from
    const end = edge === 'end' ? Math.max(at, from + 15) : from + minutes
    emit('pull', { date, time: timeOf(begin), minutes: end - begin })
  }
  const stop = () => {
    target.removeEventListener('pointermove', move)
    pulling.value = false
    emit('pull', null)
  }
  target.addEventListener('pointermove', move)
  target.addEventListener('lostpointercapture', stop, { once: true })
}
function drag(event: DragEvent): void {
  if (pulling.value || props.thing.fixed) event.preventDefault()
  else emit('drag', Math.max(0, minuteAt(event.clientX) - props.placed.from))
}
</script>

<template>
  <div
    class="thing"
    :class="[thing.kind, { done: thing.done, light: thing.light, others: thing.others, stone, late }]"
    :style="{ left: percent(placed.from), width, top: `${placed.lane * lane}px` }"
    @pointerdown.stop
  >
    <i class="length" aria-hidden="true" />
    <router-link
      class="plain"
      :to="linkOf(thing)"
      :data-ref="thing.ref"
      :aria-label="
        [thing.title, stone ? 'keystone' : '', clash ? 'clash' : '', about].filter(Boolean).join(', ')
      "
      draggable="true"
      @dragstart="drag"
      @dragend="emit('drag', null)"
    >
      <b>{{ thing.title }}</b><small
        ><em v-if="stone" class="stone">keystone</em><em v-if="clash">clash</em
        ><em v-if="thing.news">not told</em> {{ about }}</small
      >
    </router-link>
    <template v-if="!thing.fixed && !thing.done">
      <i class="edge begin" aria-hidden="true" @pointerdown.stop.prevent="pull($event, 'begin')" />
      <i class="edge end" aria-hidden="true" @pointerdown.stop.prevent="pull($event, 'end')" />
    </template>
  </div>
</template>

<style scoped>
.thing {
  position: absolute;
  z-index: 2;
  min-width: 4px;
  height: 42px;
  margin-top: 3px;
}

.thing a {
  position: relative;
  display: grid;
  align-content: center;
  width: max-content;
  min-width: 100%;
  height: 42px;
  padding: 0 8px 0 12px;
  font-size: var(--type-note);
  line-height: 1.25;
  white-space: nowrap;
  border-radius: 5px;
}

.thing.late a {
  position: absolute;
  right: 0;
  /* beside it, in front */
  padding: 0 calc(100% + 8px) 0 8px;
  text-align: right;
}

.thing b {
  font-weight: 600;
}

.thing small {
  color: var(--v-slate);
  font-size: var(--type-small);
}

.thing em {
  padding: 0 4px;
  font-style: normal;
  font-weight: 600;
  color: var(--v-tab-soon-ink);
  background: var(--v-tab-soon);
  border-radius: 4px;
}

.thing em + em {
  margin-left: 4px;
}

.thing .stone {
  color: rgb(var(--v-theme-surface));
  background: rgb(var(--v-theme-primary));
}

.thing.stone .length {
  border-left-width: 9px;
}

.thing.stone a {
  padding-left: 17px;
}

.thing.done b {
  font-weight: 500;
  color: var(--v-slate);
  text-decoration: line-through;
}

.thing a:focus-visible {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 1px;
}

.length {
  position: absolute;
  inset: 0;
  background: var(--v-sea-soft);
  border-left: 4px solid rgb(var(--v-theme-primary));
  border-radius: 5px;
}

.event .length {
  background: rgb(var(--v-theme-background));
  border-left-color: var(--v-slate);
}

.light .length {
  background: none;
  border: 1px dashed var(--v-slate);
  border-left: 4px solid var(--v-slate);
}

.others .length {
  border-left-style: double;
  border-left-width: 6px;
}

.done .length {
  opacity: 0.55;
}

.edge {
  position: absolute;
  z-index: 3;
  top: 0;
  bottom: 0;
  width: 9px;
  cursor: ew-resize;
}

.edge.begin {
  left: -6px;
}

.edge.end {
  right: -5px;
}

.edge:hover {
  background: rgb(var(--v-theme-primary));
  opacity: 0.35;
  border-radius: 4px;
}

/* a day is a list by hour */
@media (max-width: 760px) {
  .thing {
    position: relative;
    left: 0 !important;
    top: 0 !important;
    width: auto !important;
    height: auto;
    margin: 4px 0;
  }

  .thing a,
  .thing.late a {
    position: relative;
    padding: 0 8px 0 12px;
    text-align: left;
    width: auto;
    height: auto;
    min-height: 44px;
    white-space: normal;
  }

  .edge {
    display: none;
  }
}
</style>
