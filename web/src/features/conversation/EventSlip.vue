<script setup lang="ts">
import { computed } from 'vue'
import type { CalendarEvent } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { dateOf, day, moment, time } from '@/shared/time/format'

/** What a calendar object says that came with a message: when, where, whose, and what was said to it. */
const props = defineProps<{ event: CalendarEvent }>()

const { data: session } = useSession()
const isBack = computed(() => props.event.cancelled || props.event.method === 'cancel')
const ANSWERS: Record<string, string> = {
  accepted: 'comes',
  declined: 'does not come',
  tentative: 'may come',
  delegated: 'sends somebody else',
}
const heading = computed(() => {
  if (isBack.value) return 'Cancelled'
  if (props.event.method === 'reply') return 'An answer'
  if (props.event.method === 'counter') return 'Another time is proposed'
  return props.event.method === 'request' ? 'Invitation' : 'Event'
})
const when = computed(() => {
  const { start, end, zone } = props.event
  if (zone === null) return end ? `${day(start)} to ${day(end)}` : `${day(start)}, all day`
  if (!end) return moment(start)
  return dateOf(start) === dateOf(end)
    ? `${moment(start)}–${time(end)}`
    : `${moment(start)} to ${moment(end)}`
})
/** Of an answer that of who gives it, otherwise what oneself has said. */
const said = computed(() => {
  const own = session.value?.account?.email.toLowerCase()
  return props.event.answers
    .filter(({ email }) => props.event.method === 'reply' || email.toLowerCase() === own)
    .filter(({ answer }) => ANSWERS[answer])
    .map(({ name, email, answer }) =>
      email.toLowerCase() === own ? `You said: ${answer}` : `${name || email} ${ANSWERS[answer]}`,
    )
})
const from = computed(() => props.event.organiserName || props.event.organiser)
</script>

<template>
  <section class="event" :class="{ back: isBack }" :aria-label="heading">
    <p class="kind">{{ heading }}</p>
    <p class="title">{{ event.title || 'Without a title' }}</p>
    <dl>
      <dt>When</dt>
      <dd>
        {{ when }}<template v-if="event.repeats">, {{ event.repeats }}</template>
      </dd>
      <template v-if="event.place">
        <dt>Where</dt>
        <dd>{{ event.place }}</dd>
      </template>
      <template v-if="from">
        <dt>By</dt>
        <dd>{{ from }}</dd>
      </template>
      <template v-if="said.length">
        <dt>Said</dt>
        <dd>{{ said.join(', ') }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.event {
  max-width: 460px;
  margin: 0 0 18px;
  padding: 10px 16px 12px;
  border: 1px solid var(--v-edge);
  border-left: 4px solid rgb(var(--v-theme-primary));
  border-radius: 3px;
  font-size: var(--type-text);
}

.back {
  border-left-color: var(--v-slate);
}

p {
  margin: 0;
}

.kind {
  color: var(--v-slate);
  font-size: var(--type-small);
}

.title {
  margin-bottom: 6px;
  font-weight: 600;
  overflow-wrap: anywhere;
}

.back .title {
  text-decoration: line-through;
}

dl {
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr);
  gap: 2px 10px;
  margin: 0;
}

dt {
  color: var(--v-slate);
}

dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
