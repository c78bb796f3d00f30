<script setup lang="ts">
import { computed, watch } from 'vue'
import { useKeys } from '@/shared/keys/registry'
import { useWritingFrom } from '@/features/write'
import { ConversationLine } from '@/features/conversation'
import { DecisionCards } from '@/features/decide'
import { MarkButtons, useMarkKeys } from '@/features/labels'
import { StampCards } from '@/features/stamps'
import { beginDrag, endDrag } from '@/ui/drag'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MoreRows from '@/ui/MoreRows.vue'
import { attempt } from '@/shared/notice'
import type { FindPlace } from '@/shared/places'
import RowChunks from '@/ui/RowChunks.vue'
import { useSelection } from '@/shared/selection'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { LinkButton } from '@/ui/kit'
import HitText from './HitText.vue'
import { useFind } from './queries'

/** Conversations that were found, to be decided, labelled and put into lists like those in the tray. */
const props = defineProps<{ words: string; place: FindPlace; label?: string; list?: string }>()
const emit = defineEmits<{ found: [total: number | undefined] }>()

const { decide } = useDecideSteps()
const found = useFind(
  () => props.words,
  () => props.place,
  () => props.label ?? '',
  () => props.list ?? '',
)
const { data, error, refetch } = found
const rows = computed(() => data.value?.rows ?? [])
watch(
  () => data.value?.total,
  (total) => emit('found', total),
  { immediate: true },
)
const { current, currentId, moving, selecting, selected, goTo, clicked, clear, meant } = useSelection(
  rows,
  'data-conversation',
  'find',
  found.whole,
)
const writeFrom = useWritingFrom()
/** Into the tray again, from wherever they are. */
const bringBack = () =>
  attempt(() => decide(props.place === 'bin' ? 'put_back' : 'bring_back', meant.value.map(claimOf)))
async function decided(): Promise<void> {
  clear()
  await goTo(current.value)
}
const { keys: markKeys } = useMarkKeys(
  () => meant.value,
  () => goTo(current.value),
)
useKeys('Find', [
  ...moving,
  {
    key: 'Backspace',
    label: 'Bring back into the tray',
    when: () => meant.value.length > 0,
    run: () => void bringBack(),
  },
  ...markKeys,
  ...selecting,
])
defineExpose({ first: () => goTo(0) })
</script>

<template>
  <div v-if="rows.length" class="decide" :class="{ idle: !meant.length }">
    <span class="slate">{{
      selected.size ? `${selected.size} selected` : meant.length ? 'This one' : 'Choose a row'
    }}</span>
    <DecisionCards
      :rows="meant"
      bar
      @decided="decided"
      @folded="goTo(current)"
      @write="(wanted) => meant[0] && writeFrom(meant[0], wanted)"
    />
    <StampCards v-show="selected.size" bar :rows="meant" @decided="decided" @folded="goTo(current)">
      <MarkButtons :rows="meant" @folded="goTo(current)" />
    </StampCards>
  </div>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <LoadingRows v-else-if="!data" />
  <slot v-else-if="!rows.length" name="none" />
  <RowChunks v-else v-slot="{ row }" :rows="rows" :current="currentId">
    <ConversationLine
      :row="row"
      :selected="selected.has(row.id)"
      :current="row.id === currentId"
      draggable="true"
      @select="clicked(rows.indexOf(row), $event.shiftKey)"
      @focusin="current = rows.indexOf(row)"
      @dragstart="beginDrag($event, { kind: 'conversation', rows: selected.has(row.id) ? meant : [row] })"
      @dragend="endDrag"
    >
      <LinkButton v-if="row.place === 'bin'" @click="attempt(() => decide('put_back', [claimOf(row)]))">
        Put back
      </LinkButton>
      <span v-else-if="row.muted" class="slate place">muted</span>
      <span v-else-if="!place" class="slate place">{{ row.place }}</span>
      <template v-if="data?.hits[row.id]" #text>
        <HitText :hit="data?.hits[row.id] ?? ''" />
      </template>
    </ConversationLine>
  </RowChunks>
  <MoreRows v-if="data" :parts="found" :left="data.total - rows.length" one="conversation" />
</template>

<style scoped>
.decide {
  position: sticky;
  top: 62px;
  z-index: 25;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 0 -10px 10px;
  padding: 8px 10px;
  background: rgb(var(--v-theme-background));
}

@media (max-width: 760px) {
  .decide.idle {
    display: none;
  }
}

.place {
  width: 62px;
  font-size: var(--type-note);
  padding-right: 12px;
}
</style>
