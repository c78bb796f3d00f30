<script setup lang="ts">
import { computed } from 'vue'
import type { OutgoingRow } from '@/shared/api/client'
import { dateOf, nearDay, nearMoment, nearness, time } from '@/shared/time/format'
import IndexTab from '@/ui/IndexTab.vue'
import { LinkButton, PlainButton } from '@/ui/kit'

/** A draft, or a message that has not gone out, in one line with what can be done about it. */
const props = defineProps<{ row: OutgoingRow; current: boolean }>()
defineEmits<{ edit: []; move: []; now: []; back: []; drop: []; arrived: [] }>()

const isTrouble = computed(() => props.row.state === 'failed' || props.row.state === 'doubt')
const note = computed(() => {
  const { state, problem, nextTryAt, to } = props.row
  const who = to ? `to ${to}` : 'to nobody yet'
  if (state === 'doubt') return `${who} · ${problem} It may have arrived, or not.`
  if (problem) return `${who} · ${problem}${nextTryAt ? ` Tried again ${nearMoment(nextTryAt)}.` : ''}`
  return who
})
const tab = computed(() => {
  const { state, goesAt, changedAt } = props.row
  if (state === 'draft') return `written ${nearDay(dateOf(changedAt))}`
  if (state === 'sending') return 'going out'
  if (state === 'doubt') return 'in doubt'
  if (state === 'failed') return 'not sent'
  return goesAt ? `${nearDay(dateOf(goesAt))} ${time(goesAt)}` : ''
})
const near = computed(() => {
  if (isTrouble.value) return 'over'
  return props.row.state === 'waiting' && props.row.goesAt ? nearness(dateOf(props.row.goesAt)) : 'far'
})
</script>

<template>
  <li class="line" :class="{ current }">
    <PlainButton class="plain body open" :data-outgoing="row.id" @click="$emit('edit')">
      <b>{{ row.subject || 'no subject' }}</b> <span class="slate">{{ note }}</span>
    </PlainButton>
    <span class="acts">
      <template v-if="row.state === 'draft'">
        <LinkButton v-keyed="'0'" @click="$emit('edit')">Go on writing</LinkButton>
        <LinkButton v-keyed="'6'" @click="$emit('drop')">Delete</LinkButton>
      </template>
      <template v-else-if="row.state === 'waiting'">
        <LinkButton v-keyed="'0'" @click="$emit('edit')">Look at it</LinkButton>
        <LinkButton v-keyed="'3'" @click="$emit('move')">Move</LinkButton>
        <LinkButton @click="$emit('now')">Send now</LinkButton>
        <LinkButton v-keyed="'Backspace'" @click="$emit('back')"> Back to drafts </LinkButton>
      </template>
      <template v-else-if="isTrouble">
        <LinkButton v-if="row.state === 'doubt'" @click="$emit('arrived')"> It has arrived </LinkButton>
        <LinkButton @click="$emit('now')">
          {{ row.state === 'doubt' ? 'Send it again' : 'Try again now' }}
        </LinkButton>
        <LinkButton v-keyed="'0'" @click="$emit('edit')">Edit</LinkButton>
      </template>
    </span>
    <IndexTab :near="near">{{ tab }}</IndexTab>
  </li>
</template>

<style scoped src="@/ui/away-line.css"></style>
<style scoped>
.open {
  text-align: left;
}
</style>
