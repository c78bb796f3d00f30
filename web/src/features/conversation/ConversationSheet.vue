<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { Advice, Conversation, Message } from '@/shared/api/client'
import { age, day, nearness } from '@/shared/time/format'
import IndexTab from '@/ui/IndexTab.vue'
import ByMailStrip from './ByMailStrip.vue'
import ConversationLabels from './ConversationLabels.vue'
import MessageSheet from './MessageSheet.vue'
import { counted, subjectOf } from '@/shared/words'
import { PlainButton } from '@/ui/kit'

/** A conversation on its sheet: what is undecided open, the earlier messages folded to a line each. */
const props = defineProps<{ conversation: Conversation; advice?: Advice | null }>()

/** Pixels at the lower edge of the window that the rail and the dock may cover. */
const EDGE = 120

const newest = computed(() => props.conversation.messages.at(-1)?.id)
const turned = ref(new Set<string>())
const isOpen = (message: Message) =>
  (message.id === newest.value ||
    props.conversation.undecided.includes(message.id) ||
    props.conversation.byMail.some((made) => made.message === message.id)) !== turned.value.has(message.id)

/** What the advice goes by is in view, as far down as it may stand. */
const sheet = ref<HTMLElement>()
onMounted(async () => {
  await nextTick()
  const found = sheet.value?.querySelector<HTMLElement>('mark.request, mark.date')
  const edge = window.innerHeight - EDGE
  if (found && found.getBoundingClientRect().bottom > edge) found.scrollIntoView({ block: 'center' })
})

function turn(message: Message): void {
  const next = new Set(turned.value)
  if (!next.delete(message.id)) next.add(message.id)
  turned.value = next
}

const firstLine = (message: Message) =>
  message.text.split('\n').find((line) => line.trim() && !line.startsWith('>')) ?? ''
</script>

<template>
  <div ref="sheet" class="sheet conversation">
    <IndexTab v-if="advice?.date" class="corner" :near="nearness(advice.date.date)">
      {{ day(advice.date.date) }}{{ advice.date.time ? `, ${advice.date.time}` : '' }}
    </IndexTab>
    <h1 :class="{ beside: advice?.date }">{{ subjectOf(conversation.row) }}</h1>
    <ConversationLabels :row="conversation.row" />
    <ByMailStrip :conversation="conversation" />
    <p v-if="conversation.messages.length > 1" class="slate count">
      {{ counted(conversation.messages.length, 'message') }}
    </p>
    <template v-for="message in conversation.messages" :key="message.id">
      <PlainButton
        v-if="conversation.messages.length > 1"
        class="fold"
        :aria-expanded="isOpen(message)"
        @click="turn(message)"
      >
        <span class="mark" aria-hidden="true">{{ isOpen(message) ? '▾' : '▸' }}</span>
        <strong>{{ message.own ? 'You' : message.from.name || message.from.email }}</strong>
        <span class="slate first">{{ isOpen(message) ? '' : firstLine(message) }}</span>
        <span class="slate">{{ age(message.sentAt) }}</span>
      </PlainButton>
      <MessageSheet v-if="isOpen(message)" class="opened" :message="message" />
    </template>
  </div>
</template>

<style scoped>
.conversation {
  position: relative;
  padding: 32px 56px 40px;
}

.corner {
  position: absolute;
  top: 34px;
  right: 0;
}

.beside {
  padding-right: 110px;
}

h1 {
  margin: 0 0 6px !important;
  overflow-wrap: anywhere;
}

.count {
  margin: 0 0 10px;
  font-size: var(--type-note);
}

.fold {
  display: grid;
  grid-template-columns: 14px 150px minmax(0, 1fr) auto;
  gap: 10px;
  width: 100%;
  padding: 8px 0;
  font-size: var(--type-text);
  text-align: left;
  border-top: 1px solid var(--v-edge);
}

.fold strong,
.first {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.opened {
  padding: 8px 0 20px;
}

@media (max-width: 760px) {
  .fold {
    grid-template-columns: 14px minmax(0, 1fr) auto;
  }

  .fold .first {
    display: none;
  }

  .conversation {
    padding: 20px 16px 28px;
  }
}
</style>
