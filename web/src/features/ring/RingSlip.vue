<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import type { Ring, When } from '@/shared/api/client'
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
  who.value ? `from ${who.value}` : '',
  due.value && (props.ring.task?.over ? due.value : `due ${due.value}`),
  props.ring.how === 'moment' ? '' : props.ring.reminder.split(', from ')[0],
  props.ring.times > 1 ? `${props.ring.times} times by now` : '',
])

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
      <button type="button" class="title" @click="emit('open')">{{ titleOf(ring) || 'no subject' }}</button>
      <span v-if="facts.some(Boolean)" class="slate facts">{{ facts.filter(Boolean).join(' · ') }}</span>
      <span class="answers">
        <button type="button" class="link" @click="emit('open')">Open</button>
        <button type="button" class="link" @click="done">Done</button>
        <button type="button" class="link" :aria-expanded="asking" @click="asking = !asking">Again …</button>
        <button type="button" class="link" @click="attempt(() => letGo([ring.id]))">Let go</button>
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
        <button v-for="phrase in READY" :key="phrase" type="button" class="ready" @click="later({ phrase })">
          {{ phrase }}
        </button>
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
  padding: 0;
  font: inherit;
  font-weight: 600;
  line-height: 1.3;
  color: inherit;
  text-align: left;
  overflow-wrap: anywhere;
  background: none;
  border: 0;
  cursor: pointer;
}

.title:hover {
  text-decoration: underline;
}

.facts {
  font-size: 13.5px;
}

.answers {
  display: flex;
  gap: 16px;
  margin-left: auto;
}

.answers .link {
  font-size: 14px;
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
  font: inherit;
  font-size: 13.5px;
  color: inherit;
  background: var(--v-sea-soft);
  border: 0;
  border-radius: 7px;
  cursor: pointer;
}
</style>
