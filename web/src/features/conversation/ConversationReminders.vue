<script setup lang="ts">
import { computed } from 'vue'
import type { Conversation } from '@/shared/api/client'
import { plain } from '@/shared/api/when'
import { dateOf, time } from '@/shared/time/format'
import { attempt } from '@/shared/notice'
import ReminderField from '@/ui/ReminderField.vue'
import { useConversationSteps } from './steps'

/** When a conversation reminds, wherever it is. Leads count from its return. */
const props = defineProps<{ conversation: Conversation }>()

const { remindOf } = useConversationSteps()
const reminders = computed({
  get: () => props.conversation.reminders.map(({ text }) => text),
  set: (texts) => void attempt(() => remindOf(props.conversation.row.id, texts)),
})
const anchors = computed(() => {
  const { place, awayUntil } = props.conversation.row
  return place === 'away' && awayUntil
    ? { due: plain({ date: dateOf(awayUntil), time: time(awayUntil) }) }
    : {}
})
</script>

<template>
  <section class="aside">
    <h2>Reminders</h2>
    <ReminderField v-model="reminders" :anchors="anchors" folded />
  </section>
</template>

<style scoped>
.aside {
  margin-top: 22px;
  font-size: var(--type-note);
}

h2 {
  margin: 0 0 6px;
  font-size: var(--type-note);
  font-weight: 600;
  color: var(--v-slate);
}
</style>
