<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { ClearingOrder, Conversation, ConversationRow } from '@/shared/api/client'
import { useSession, useSignIn } from '@/shared/api/session'
import { useKeys } from '@/shared/keys/registry'
import { EventFromMail, InvitationCard } from '@/features/agenda'
import { StampCards } from '@/features/stamps'
import { send } from '@/features/tasks'
import {
  BackStrip,
  ConversationReminders,
  ConversationSheet,
  HistoryList,
  useConversation,
  useLoadAhead,
  markRead,
  useReading,
} from '@/features/conversation'
import ClearingHead from './ClearingHead.vue'
import ClearingSummary from './ClearingSummary.vue'
import { WhatBecomes } from '@/features/importance'
import { DecisionCards, type Along } from '@/features/decide'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { useClearingRun } from './run'
import { attempt } from '@/shared/notice'
import { useAnswering, DraftStrip, WriteSheet } from '@/features/write'
import { usePile } from './pile'
import { OwedIn } from '@/features/owed'
import PileEdges from './PileEdges.vue'
import { RestDialog, useTray } from '@/features/tray'
import TooOften from './TooOften.vue'
import { later } from '@/shared/time/later'
import { LinkButton } from '@/ui/kit'

const router = useRouter()
const queries = useQueryClient()
const { account } = useSession()
const { choose } = useSignIn()
const loadAhead = useLoadAhead()

const order = ref<ClearingOrder>(account.value?.settings.clearingOrder ?? 'grouped')
const { data: tray, error, refetch } = useTray(order)
const { pile, at, current, ahead, isReady, isOrdered, take, settle, putBack, step, again } = usePile(
  tray,
  order,
)
const run = useClearingRun(order)
const { id, clearing, ended, isBegun, decided, end, anew, passOver } = run
const { data: conversation, error: missing } = useConversation(() => current.value?.id ?? '')
const archivingRest = ref(false)
const cards = ref<InstanceType<typeof DecisionCards>>()

/** What was loaded ahead is shown at once, without waiting for the query to turn to it. */
const shown = computed(() => {
  const wanted = current.value?.id
  if (!wanted || conversation.value?.row.id === wanted) return wanted ? conversation.value : undefined
  return queries.getQueryData<Conversation>(['conversation', wanted])
})
const source = computed(() => shown.value?.messages.findLast(({ own }) => !own)?.id)

const {
  writing,
  write,
  goOn: goOnWriting,
  close,
} = useAnswering(
  () => shown.value,
  () => current.value,
  () => id.value,
)

watch(order, (now) => attempt(() => choose({ clearingOrder: now })))
watch(ahead, (rows) => later(() => loadAhead(rows.map((row) => row.id))), { immediate: true })
useReading(
  () => shown.value?.row,
  (id) => later(() => void markRead(id)),
)
/** Through the pile, or nothing left of it: then it is over. */
watch([() => current.value?.id, isReady, decided], async ([now, ready]) => {
  if (ready && now === undefined && isBegun.value && (decided.value > 0 || pile.value.length > 0)) await end()
})

function next(along?: Along): void {
  take(along)
  run.count()
  window.scrollTo({ top: 0 })
}

function settled(rows: ConversationRow[]): void {
  settle(rows)
  run.settle()
}

/** Decided, and accepted already. */
function gone(): void {
  next()
  run.settle()
}

function pass(): void {
  const row = current.value
  if (!row) return
  step(1)
  void passOver(row.id)
}

async function goOn(): Promise<void> {
  again()
  await anew()
}

function failed(rows: ConversationRow[]): void {
  putBack(rows)
  run.uncount()
  void queries.invalidateQueries({ queryKey: ['tray'] })
}

useKeys('Clearing', [
  {
    key: '=',
    label: 'Send to a day',
    when: () => !!current.value,
    run: () => current.value && send({ kind: 'conversation', rows: [current.value], clearing: id.value }),
  },
  { key: 'ArrowRight', label: 'Pass over: it stays in the tray', when: () => !ended.value, run: pass },
  {
    key: 'ArrowLeft',
    label: 'Back to the one before',
    when: () => !ended.value && at.value > 0,
    run: () => step(-1),
  },
  { key: 'Escape', label: 'To the tray', run: () => void router.push('/') },
])
</script>

<template>
  <div class="view">
    <ClearingSummary
      v-if="ended"
      :clearing="ended"
      :left="pile.length"
      @again="goOn"
      @rest="archivingRest = true"
    />
    <FailedState v-else-if="error && !isReady" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!isReady" />
    <LoadingRows v-else-if="!current && (pile.length > 0 || decided > 0)" />
    <EmptyState v-else-if="!current" title="Nothing to decide">
      The tray is empty.
      <template #actions><v-btn color="primary" to="/">Back to the tray</v-btn></template>
    </EmptyState>
    <div v-else class="desk" :aria-busy="!isOrdered">
      <div class="left">
        <ClearingHead
          v-model="order"
          :left="pile.length"
          :decided="decided"
          :pace="clearing?.pace"
          @end="end"
        />
        <BackStrip :row="current" />
        <TooOften v-if="current.tooOften" :row="current" @answer="(kind) => cards?.press(kind)" />
        <FailedState v-if="missing && !shown" :error="missing" @again="pass" />
        <ConversationSheet
          v-else-if="shown"
          :key="shown.row.id"
          class="top"
          :conversation="shown"
          :advice="shown.advice"
        />
        <div v-else class="sheet top waiting"><LoadingRows /></div>
        <DraftStrip v-if="shown && !writing" :drafts="shown.drafts" @open="goOnWriting" />
        <WriteSheet v-if="writing" :key="writing.message" :writing="writing" @sent="gone" @close="close" />
        <PileEdges :left="pile.length" />
        <p class="hint">
          <LinkButton :disabled="at === 0" @click="step(-1)"> <KeyCap name="ArrowLeft" /> Back </LinkButton>
          <LinkButton @click="pass"><KeyCap name="ArrowRight" /> Pass over</LinkButton>
        </p>
      </div>
      <aside>
        <WhatBecomes :row="current" />
        <InvitationCard v-if="shown" :conversation="shown" :clearing="id" @decided="gone" />
        <EventFromMail v-if="shown" :conversation="shown" />
        <StampCards :rows="[current]" :clearing="id" @decided="next()" />
        <DecisionCards
          ref="cards"
          :rows="[current]"
          :message="source"
          :advice="shown?.advice ?? null"
          :proposal="shown?.proposal"
          :clearing="id"
          eager
          @decided="next"
          @settled="settled"
          @failed="failed"
          @write="write"
        />
        <template v-if="shown">
          <OwedIn :owed="shown.owed" :row="shown.row" :clearing="id" @decided="gone" />
          <ConversationReminders :key="shown.row.id" :conversation="shown" />
          <HistoryList :conversation="shown" />
        </template>
      </aside>
    </div>
    <RestDialog v-model="archivingRest" />
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 4px 30px;
  align-items: start;
}

.left {
  min-width: 0;
}

.top {
  position: relative;
  min-height: max(360px, min(560px, 100vh - 262px));
  margin-top: 10px;
}

.waiting {
  padding: 40px 56px;
}

aside {
  position: sticky;
  top: 72px;
}

.hint {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 22px;
  margin: 0;
  font-size: var(--type-note);
}

.hint .link:disabled {
  opacity: 0.5;
}

@media (max-width: 760px) {
  .hint kbd {
    display: none;
  }
}

@media (max-width: 960px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }

  .top {
    min-height: 0;
  }

  aside {
    position: static;
  }
}
</style>
