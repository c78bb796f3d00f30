<script setup lang="ts">
import { computed } from 'vue'
import type { Owed } from '@/shared/api/client'
import { dateOf, daysAhead, nearDay, nearness, time } from '@/shared/time/format'
import IndexTab from '@/ui/IndexTab.vue'
import { counted } from '@/shared/words'
import { LinkButton } from '@/ui/kit'

/** What one person owes, in one line. */
const props = defineProps<{
  owed: Owed
  current: boolean
  /** The name is not in the heading */ named?: boolean
}>()
defineEmits<{ again: []; move: []; settle: [as: 'answered' | 'dropped'] }>()

const to = computed(() => {
  const { task, conversation } = props.owed
  if (task) return { name: 'tasks', params: { id: task.id } }
  return conversation ? { name: 'conversation', params: { id: conversation.id } } : null
})
const title = computed(
  () => props.owed.what || props.owed.task?.title || props.owed.conversation?.subject || 'an answer',
)
const about = computed(() =>
  [
    props.named ? props.owed.person.name || props.owed.person.email : '',
    props.owed.what && props.owed.conversation
      ? `in “${props.owed.conversation.subject || 'no subject'}”`
      : '',
    `asked ${nearDay(dateOf(props.owed.askedAt))}`,
    props.owed.automaticAt ? `automatic answer ${nearDay(dateOf(props.owed.automaticAt))}` : '',
  ]
    .filter(Boolean)
    .join(' · '),
)
const STATES = {
  answered: 'answered',
  undelivered: 'did not arrive',
  dropped: 'not expected any more',
  open: '',
}
const tab = computed(() => {
  const { state, settledAt, until } = props.owed
  if (state !== 'open') return `${STATES[state]}${settledAt ? ` ${nearDay(dateOf(settledAt))}` : ''}`
  const days = -daysAhead(dateOf(until))
  if (props.owed.over) return days > 0 ? `${counted(days, 'day')} over` : `over since ${time(until)}`
  return `${nearDay(dateOf(until))} ${time(until)}`
})
const near = computed(() => {
  if (props.owed.state !== 'open') return 'far'
  return props.owed.over ? 'over' : nearness(dateOf(props.owed.until))
})
</script>

<template>
  <li class="line" :class="{ current }">
    <component
      :is="to ? 'router-link' : 'span'"
      class="plain body"
      :to="to ?? undefined"
      :tabindex="to ? undefined : 0"
      :data-owed="owed.id"
    >
      <b>{{ title }}</b> <span class="slate">{{ about }}</span>
    </component>
    <span v-if="owed.state === 'open'" class="acts">
      <LinkButton v-if="owed.person.email" v-keyed="'0'" tabindex="-1" @click="$emit('again')">
        Ask again
      </LinkButton>
      <LinkButton v-keyed="'3'" tabindex="-1" @click="$emit('move')">More time</LinkButton>
      <LinkButton v-keyed="'5'" tabindex="-1" @click="$emit('settle', 'answered')"> It is here </LinkButton>
      <LinkButton v-keyed="'6'" tabindex="-1" @click="$emit('settle', 'dropped')"> Let go </LinkButton>
    </span>
    <span v-else class="acts">
      <LinkButton v-keyed="'3'" tabindex="-1" @click="$emit('move')"> Owed again … </LinkButton>
    </span>
    <IndexTab :near="near">{{ tab }}</IndexTab>
  </li>
</template>

<style scoped src="@/ui/away-line.css"></style>
