<script setup lang="ts">
import { mdiChevronLeft, mdiChevronRight } from '@mdi/js'
import { ref } from 'vue'
import type { ListCard, StageOfCards } from '@/shared/api/client'
import { PlainButton } from '@/ui/kit'
import StageCard from './StageCard.vue'

/** A stop on the line of a list, with the cards that stand there. */
const props = defineProps<{
  place: StageOfCards
  /** From 1; 0: off the line */
  number: number
  folded: boolean
  currentId: string | undefined
  selected: ReadonlySet<string>
  /** Something is dragged that could be dropped here */
  isTarget: boolean
}>()
const emit = defineEmits<{
  fold: []
  pick: [card: ListCard, event: MouseEvent]
  reach: [card: ListCard]
  check: [card: ListCard]
  drag: [card: ListCard, event: DragEvent]
  dropped: []
  /** Before the card of that number */
  land: [at: number]
}>()

const at = ref(-1)
const list = ref<HTMLElement>()
const name = () => props.place.stage?.name ?? 'Off the line'

/** Between which cards the pointer is. */
function over(event: DragEvent): void {
  if (!props.isTarget) return
  event.preventDefault()
  const cards = [...(list.value?.children ?? [])]
  const before = cards.findIndex((one) => {
    const { top, height } = one.getBoundingClientRect()
    return event.clientY < top + height / 2
  })
  at.value = before < 0 ? cards.length : before
}
function left(event: DragEvent): void {
  if (!(event.currentTarget as HTMLElement).contains(event.relatedTarget as Node | null)) at.value = -1
}
function land(): void {
  if (!props.isTarget) return
  emit('land', at.value)
  at.value = -1
}
</script>

<template>
  <section
    class="stage"
    :class="{ folded, off: !number, target: at >= 0 }"
    :aria-label="name()"
    @dragover="over"
    @dragleave="left"
    @drop.prevent="land"
  >
    <header>
      <span class="stop" aria-hidden="true">{{ number || '' }}</span>
      <PlainButton
        class="name"
        :aria-expanded="!folded"
        :title="folded ? `Unfold ${name()}` : `Fold ${name()}`"
        @click="emit('fold')"
      >
        <span>{{ name() }}</span> <small class="slate">{{ place.total }}</small>
        <v-icon class="turn" :icon="folded ? mdiChevronRight : mdiChevronLeft" size="16" />
      </PlainButton>
      <small v-if="place.up" class="long">{{ place.up }} too long here</small>
      <small v-else class="slate">{{ place.stage?.days ? `${place.stage.days} days at most` : '' }}</small>
    </header>
    <ul v-if="!folded" ref="list" :aria-label="`Cards at ${name()}`">
      <StageCard
        v-for="(card, index) in place.cards"
        :key="card.id"
        :class="{ before: at === index, behind: at > index && index === place.cards.length - 1 }"
        :card="card"
        :days="place.stage?.days"
        :current="card.id === currentId"
        :selected="selected.has(card.id)"
        @select="emit('pick', card, $event)"
        @check="emit('check', card)"
        @focusin="emit('reach', card)"
        @dragstart="emit('drag', card, $event)"
        @dragend="emit('dropped')"
      />
    </ul>
    <p v-if="!folded && !place.cards.length" class="slate none">Nothing stands here</p>
    <slot />
  </section>
</template>

<style scoped>
.stage {
  flex: 1 1 0;
  min-width: 132px;
  max-width: 300px;
  padding-bottom: 30px;
}

.stage.folded {
  flex: 0 0 34px;
  min-width: 34px;
}

header {
  position: relative;
  display: grid;
  justify-items: start;
  margin-bottom: 4px;
}

/* the line on which the stops lie */
header::before {
  position: absolute;
  top: 10px;
  left: 0;
  right: -13px;
  height: 3px;
  content: '';
  background: var(--v-edge);
}

.off header::before,
.stage:last-of-type header::before {
  right: 0;
}

.off header::before {
  background: none;
}

.stop {
  position: relative;
  display: grid;
  place-items: center;
  width: 22px;
  height: 22px;
  margin-bottom: 6px;
  font-size: var(--type-small);
  font-weight: 600;
  background: rgb(var(--v-theme-background));
  border: 3px solid rgb(var(--v-theme-primary));
  border-radius: 50%;
}

.off .stop {
  border-color: var(--v-edge);
  border-style: dotted;
}

.name {
  max-width: 100%;
  font-weight: 600;
  text-align: left;
}

.name small {
  font-weight: 500;
}

.turn {
  color: var(--v-slate);
  opacity: 0;
}

.name:hover .turn,
.name:focus-visible .turn,
.folded .turn {
  opacity: 1;
}

.folded .name {
  writing-mode: vertical-rl;
  padding-left: 0;
}

.folded header > small {
  display: none;
}

header > small {
  min-height: 20px;
  font-size: var(--type-small);
}

.long {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

ul {
  display: grid;
  gap: 8px;
}

.before {
  box-shadow: 0 -4px 0 -1px rgb(var(--v-theme-primary));
}

.behind {
  box-shadow: 0 4px 0 -1px rgb(var(--v-theme-primary));
}

.target {
  background: var(--v-sea-soft);
  border-radius: 8px;
}

.none {
  margin: 0;
  padding: 10px 4px;
  font-size: var(--type-note);
}

@media (max-width: 760px) {
  .stage {
    max-width: none;
  }
}
</style>
