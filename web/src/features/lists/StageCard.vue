<script setup lang="ts">
import { mdiDragVertical } from '@mdi/js'
import { computed } from 'vue'
import type { ListCard } from '@/shared/api/client'
import { dueTab } from '@/shared/time/due'
import { dateOf, day, nearness } from '@/shared/time/format'
import { subjectOf } from '@/shared/words'
import IndexTab from '@/ui/IndexTab.vue'
import { PlainButton, TickBox } from '@/ui/kit'
import { stood } from './board'

/** A conversation or a task of a list, where it stands on the line. */
const props = defineProps<{
  card: ListCard
  /** So many days it may stand here */
  days?: number | null | undefined
  current?: boolean
  selected?: boolean
}>()
defineEmits<{ select: [event: MouseEvent]; check: [] }>()

const title = computed(() =>
  props.card.conversation ? props.card.conversation.who : (props.card.task?.title ?? ''),
)
const tab = computed(() => {
  const { conversation: mail, task } = props.card
  if (task?.due && !task.completedAt) return dueTab(task.due, task.over)
  if (mail?.place === 'away' && mail.awayUntil) {
    const date = dateOf(mail.awayUntil)
    return { text: day(date), near: nearness(date) }
  }
  return null
})
/** Who owes whom. */
const state = computed(() => {
  const { conversation: mail, task } = props.card
  if (task) return task.completedAt ? 'done' : ''
  if (mail?.owedBy) return 'owed to you'
  return mail?.place === 'tray' ? 'in the tray' : ''
})
</script>

<template>
  <li
    class="card"
    :class="{
      current,
      selected,
      up: card.up,
      done: card.task?.completedAt,
      unread: card.conversation?.unread,
    }"
    draggable="true"
  >
    <PlainButton
      class="grip"
      :aria-label="`Select ${title}`"
      :aria-pressed="selected ?? false"
      tabindex="-1"
      title="Click to select, drag to move"
      @click="$emit('select', $event)"
    >
      <v-icon :icon="mdiDragVertical" size="16" />
    </PlainButton>
    <router-link
      class="plain body"
      :to="
        card.conversation
          ? { name: 'conversation', params: { id: card.id } }
          : { name: 'tasks', params: { id: card.id }, query: { by: 'list', list: card.task?.list.id } }
      "
      :data-card="card.id"
      draggable="false"
    >
      <b>{{ title }}</b>
      <span v-if="card.conversation" class="slate what">{{ subjectOf(card.conversation) }}</span>
      <span v-if="state" class="state">{{ state }}</span>
      <span class="slate since" :class="{ long: card.up }">{{ stood(card, days) }}</span>
    </router-link>
    <TickBox
      v-if="card.task"
      class="tick"
      :model-value="!!card.task.completedAt"
      :aria-label="`${card.task.completedAt ? 'Open again' : 'Complete'}: ${title}`"
      tabindex="-1"
      @click.prevent="$emit('check')"
    />
    <IndexTab v-if="tab" class="date" :near="tab.near">{{ tab.text }}</IndexTab>
  </li>
</template>

<style scoped>
.card {
  position: relative;
  display: flex;
  flex-direction: column;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 8px;
  font-size: var(--type-note);
  content-visibility: auto;
  contain-intrinsic-size: auto 84px;
}

.card.current {
  border-color: rgb(var(--v-theme-primary));
  box-shadow: 0 0 0 1px rgb(var(--v-theme-primary));
}

.card.selected {
  background: var(--v-sea-soft);
}

.card.up {
  border-left: 4px solid rgb(var(--v-theme-error));
}

.body {
  display: grid;
  gap: 1px;
  padding: 8px 22px 8px 10px;
  line-height: 1.35;
  border-radius: 8px;
}

.body:focus-visible {
  outline-offset: -2px;
}

b {
  font-weight: 550;
  overflow-wrap: anywhere;
}

.unread b {
  font-weight: 700;
}

.what {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow-wrap: anywhere;
}

.state {
  color: rgb(var(--v-theme-warning));
}

.since {
  font-size: var(--type-small);
}

.long {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.done b {
  color: var(--v-slate);
  text-decoration: line-through;
}

.grip {
  position: absolute;
  top: 4px;
  right: 2px;
  z-index: 1;
  display: grid;
  padding: 2px;
  color: var(--v-slate);
  border-radius: 5px;
  opacity: 0.35;
}

.card:hover .grip,
.card:focus-within .grip,
.selected .grip {
  opacity: 1;
}

.selected .grip {
  color: rgb(var(--v-theme-primary));
}

.tick {
  position: absolute;
  right: 7px;
  bottom: 8px;
}

.date {
  align-self: flex-end;
  margin: -4px -1px 8px 0;
}

.tick + .date {
  margin-right: 28px;
}
</style>
