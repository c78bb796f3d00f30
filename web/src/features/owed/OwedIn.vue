<script setup lang="ts">
import { computed } from 'vue'
import type { ConversationRow, Owed, When } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import { day, nearDay, dateOf, nearMoment } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import { attempt } from '@/shared/notice'
import { claimOf } from '@/shared/steps/decide'
import { useOwedSteps } from './steps'
import { LinkButton } from '@/ui/kit'

/** Who owes an answer in a conversation, and who has given it. */
const props = defineProps<{ owed: Owed[]; row: ConversationRow; clearing?: string }>()
const emit = defineEmits<{ decided: [] }>()

const { takeUpOwed } = useOwedSteps()
/** Somebody has answered, and only promises: it may be owed still. */
const promised = computed(() =>
  props.row.place === 'tray' ? props.owed.find(({ promise }) => promise) : undefined,
)
const until = computed<When>(() => promised.value?.promise?.until ?? { phrase: 'in 3 working days' })
const untilText = computed(() =>
  'date' in until.value ? day(until.value.date) : until.value.phrase.replace('in ', 'for '),
)

async function stillOwed(): Promise<void> {
  const one = promised.value
  if (one && (await attempt(() => takeUpOwed(one.id, until.value, claimOf(props.row), props.clearing))))
    emit('decided')
}
useKeys('Decide', [
  { key: '/', label: 'It is still owed', when: () => !!promised.value, run: () => void stillOwed() },
])

const said = ({ state, over, until, settledAt, automaticAt }: Owed): string => {
  const when = settledAt ? nearDay(dateOf(settledAt)) : ''
  if (state === 'answered') return `answered ${when}`
  if (state === 'undelivered') return `your message did not arrive, ${when}`
  if (state === 'dropped') return 'not expected any more'
  const auto = automaticAt ? `; an automatic answer came ${nearDay(dateOf(automaticAt))}` : ''
  return (over ? `should have answered ${nearMoment(until)}` : `has until ${nearMoment(until)}`) + auto
}
</script>

<template>
  <section v-if="owed.length" class="aside">
    <h2>Owed to you</h2>
    <ul>
      <li v-for="one in owed" :key="one.id">
        <b>{{ one.person.name || one.person.email }}</b> {{ said(one)
        }}<template v-if="one.what">: {{ one.what }}</template>
        <router-link
          v-if="one.state === 'open' && one.over && one.person.email"
          class="link"
          :to="{ name: 'write', query: { owed: one.id } }"
          >Ask again</router-link
        >
        <p v-if="one === promised && one.promise" class="promise">
          “{{ one.promise.words }}” That may be no answer yet.
          <LinkButton @click="stillOwed">
            Still owed {{ 'date' in until ? `until ${untilText}` : untilText }} <KeyCap name="/" />
          </LinkButton>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.aside {
  margin-top: 22px;
  font-size: var(--type-text);
}

h2 {
  margin: 0 0 6px;
  font-size: var(--type-note);
  font-weight: 600;
  color: var(--v-slate);
}

ul {
  display: grid;
  gap: 4px;
}

.promise {
  margin: 4px 0 2px;
  padding: 6px 10px;
  font-size: var(--type-note);
  background: var(--v-sea-soft);
  border-radius: 7px;
}

b {
  font-weight: 600;
}
</style>
