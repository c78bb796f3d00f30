<script setup lang="ts">
import { computed } from 'vue'
import type { ConversationRow } from '@/shared/api/client'
import { dateOf, day, nearDay, nearness } from '@/shared/time/format'
import { ADVISED, ConversationLine, type Group } from '@/features/conversation'
import { beginDrag, endDrag } from '@/ui/drag'
import IndexTab from '@/ui/IndexTab.vue'
import RowChunks from '@/ui/RowChunks.vue'
import { counted } from '@/shared/words'
import { LinkButton, PlainButton } from '@/ui/kit'

/** A group of rows of the tray, which can be folded and decided as one. */
const props = defineProps<{
  group: Group
  folded: boolean
  /** Whether it is shown how much each matters, and why */
  byImportance?: boolean
  /** How many rows all groups have */
  among: number
  /** How many rows stand above it */
  above: number
  current: string | undefined
  selected: Set<string>
  /** What is moved when a selected row is dragged */
  meant: ConversationRow[]
}>()
defineEmits<{
  fold: []
  all: []
  select: [row: ConversationRow, range: boolean]
  reach: [row: ConversationRow]
  decide: [kind: 'archive' | 'delete']
}>()

function note(row: ConversationRow): string | undefined {
  if (row.back) return [row.back.why, row.back.before].filter(Boolean).join(' ')
  if (row.trouble) return row.trouble
  return row.tooOften === 'touched' ? `looked at ${row.touches} times` : undefined
}
const quote = (row: ConversationRow) => row.advice?.asks || undefined
/** What all of them are advised to become, when it is one thing that needs no more words. */
const together = computed(() => {
  const [first, ...others] = props.group.rows.map((row) => row.advice?.decision)
  const isOne = props.group.rows.length > 1 && others.every((decision) => decision === first)
  return isOne && (first === 'archive' || first === 'delete') ? first : null
})
</script>

<template>
  <section :aria-label="group.name">
    <h2 class="group">
      <PlainButton class="name" :aria-expanded="!folded" @click="$emit('fold')">
        <span aria-hidden="true">{{ folded ? '▸' : '▾' }}</span> {{ group.name }}
        <span class="slate">{{ group.rows.length }}</span>
      </PlainButton>
      <LinkButton v-if="together" @click="$emit('decide', together)">
        {{ together === 'archive' ? 'Archive' : 'Delete' }} all {{ group.rows.length }}
      </LinkButton>
      <LinkButton
        title="On a row the key * selects its group; then one key decides them all"
        @click="$emit('all')"
      >
        Select {{ group.rows.length === 1 ? 'it' : counted(group.rows.length, 'conversation') }}
      </LinkButton>
    </h2>
    <RowChunks
      v-if="!folded"
      v-slot="{ row }"
      :rows="group.rows"
      :current="current"
      :among="among"
      :above="above"
    >
      <ConversationLine
        :row="row"
        :current="row.id === current"
        :selected="selected.has(row.id)"
        draggable="true"
        :note="note(row)"
        :action="row.back ? undefined : row.advice?.title || undefined"
        :quote="quote(row)"
        :because="row.advice?.because"
        :importance="byImportance ? row.advice?.importance : undefined"
        :advice="row.advice ? ADVISED[row.advice.decision] : ''"
        @dragstart="beginDrag($event, { kind: 'conversation', rows: selected.has(row.id) ? meant : [row] })"
        @dragend="endDrag"
        @select="$emit('select', row, $event.shiftKey)"
        @focusin="$emit('reach', row)"
      >
        <IndexTab v-if="row.returned && row.awayUntil" near="near">{{
          nearDay(dateOf(row.awayUntil))
        }}</IndexTab>
        <IndexTab v-else-if="row.advice?.date" :near="nearness(row.advice.date.date)">{{
          day(row.advice.date.date)
        }}</IndexTab>
      </ConversationLine>
    </RowChunks>
  </section>
</template>

<style scoped>
.group {
  margin: 10px 0 4px;
}

.name {
  display: flex;
  gap: 7px;
  align-items: baseline;
}

.group .link + .link {
  margin-left: 14px;
}

.name > span:first-child {
  width: 11px;
  font-size: var(--type-mark);
  color: var(--v-slate);
}
</style>
