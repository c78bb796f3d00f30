<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import type { Event, Ring, When } from '@/shared/api/client'
import { toWhen, type Written } from '@/shared/api/when'
import { dueTab } from '@/shared/time/due'
import { age, dateOf, nearDay, time } from '@/shared/time/format'
import { now } from '@/shared/time/clock'
import { useCompleting } from '@/features/tasks'
import IndexTab from '@/ui/IndexTab.vue'
import { attempt } from '@/shared/notice'
import { titleOf } from '@/shared/notify'
import WhenField from '@/ui/WhenField.vue'
import { useRingSteps } from './steps'
import { useDecideSteps } from '@/shared/steps/decide'
import { LinkButton, PlainButton } from '@/ui/kit'

/** One reminder that has come, with its answers. */
const props = defineProps<{ ring: Ring }>()
const emit = defineEmits<{ open: []; answered: [] }>()
onBeforeUnmount(() => emit('answered'))

const READY = ['in 15 minutes', 'in an hour', 'tomorrow morning']
const { letGo, remindAgain } = useRingSteps()
const { decide } = useDecideSteps()
const { complete } = useCompleting()
const asking = ref(false)
const again = ref<Written>({ phrase: '', reading: null })
const wrong = ref('')

const who = computed(() => props.ring.task?.source?.who ?? props.ring.conversation?.who)
const due = computed(() => {
  const { task } = props.ring
  return task?.due ? dueTab(task.due, task.over).text : ''
})
/** When it came: the time today, else the day as well. */
const at = computed(() => {
  const date = dateOf(props.ring.at)
  return date === dateOf(now.value as Date) ? time(props.ring.at) : `${nearDay(date)} ${time(props.ring.at)}`
})
/** Whose it is, when it is due, which reminder it was; that of a moment says what the tab says. */
const facts = computed(() => [
  props.ring.event ? begins(props.ring.event) : '',
  who.value ? `from ${who.value}` : '',
  due.value && (props.ring.task?.over ? due.value : `due ${due.value}`),
  props.ring.how === 'moment' ? '' : props.ring.reminder.split(', from ')[0],
  props.ring.times > 1 ? `${props.ring.times} times by now` : '',
])

/** When and where it takes place. */
function begins({ begins: { date, time: at_ }, place }: Event): string {
  const when =
    date === dateOf(now.value as Date) ? (at_ ?? 'today') : `${nearDay(date)}${at_ ? ` ${at_}` : ''}`
  return [when, place].filter(Boolean).join(', ')
}

async function done(): Promise<void> {
  const { task, conversation } = props.ring
  if (task) await complete([task.id])
  else if (conversation) {
    const wasAnswered = await attempt(() => letGo([props.ring.id]))
    if (wasAnswered) await attempt(() => decide('do_now', [{ id: conversation.id }]))
  }
}

async function later(to: When | null): Promise<void> {
  if (to) await attempt(() => remindAgain([props.ring.id], to))
  else wrong.value = 'When?'
}
</script>

<template>
  <article class="slip" :aria-label="`Reminder: ${titleOf(ring)}`">
    <div class="line">
      <PlainButton class="title" @click="emit('open')">{{ titleOf(ring) || 'no subject' }}</PlainButton>
      <span v-if="facts.some(Boolean)" class="slate facts">{{ facts.filter(Boolean).join(' · ') }}</span>
      <span class="answers">
        <LinkButton @click="emit('open')">Open</LinkButton>
        <LinkButton v-if="!ring.event" @click="done">Done</LinkButton>
        <LinkButton :aria-expanded="asking" @click="asking = !asking">Again …</LinkButton>
        <LinkButton @click="attempt(() => letGo([ring.id]))">Let go</LinkButton>
      </span>
      <IndexTab near="near" :title="age(ring.at)">{{ at }}</IndexTab>
    </div>
    <form
      v-if="asking"
      class="again"
      novalidate
      @submit.prevent="later(toWhen(again))"
      @keydown.esc.stop="asking = false"
    >
      <p>
        <PlainButton v-for="phrase in READY" :key="phrase" class="ready" @click="later({ phrase })">
          {{ phrase }}
        </PlainButton>
      </p>
      <WhenField v-model="again" label="Or at" placeholder="friday 9am …" :error="wrong" />
    </form>
  </article>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
  min-height: 30px;
}

.title {
  min-width: 0;
  font-weight: 600;
  line-height: 1.3;
  text-align: left;
  overflow-wrap: anywhere;
}

.title:hover {
  text-decoration: underline;
}

.facts {
  font-size: var(--type-note);
}

.answers {
  display: flex;
  gap: 16px;
  margin-left: auto;
}

.answers .link {
  font-size: var(--type-note);
}

.again {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: flex-start;
  margin: 4px 0 8px;
}

.again p {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
}

.again > :last-child {
  flex: 0 1 320px;
}

.ready {
  padding: 3px 10px;
  font-size: var(--type-note);
  background: var(--v-sea-soft);
  border-radius: 7px;
}
</style>
