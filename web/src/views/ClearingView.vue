<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, newId, type Clearing, type ClearingOrder, type ConversationRow } from '@/api/client'
import { useClearing, useConversation, useLoadAhead, useTray } from '@/api/reading'
import { useSession, useSignIn } from '@/api/session'
import { useKeys } from '@/keys/registry'
import ClearingHead from '@/parts/ClearingHead.vue'
import ClearingSummary from '@/parts/ClearingSummary.vue'
import ConversationSheet from '@/parts/ConversationSheet.vue'
import DecisionCards from '@/parts/DecisionCards.vue'
import EmptyState from '@/parts/EmptyState.vue'
import FailedState from '@/parts/FailedState.vue'
import HistoryList from '@/parts/HistoryList.vue'
import KeyCap from '@/parts/KeyCap.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import { isTooOften } from '@/parts/advice'
import { attempt } from '@/parts/notice'
import { usePile } from '@/parts/pile'
import PileEdges from '@/parts/PileEdges.vue'
import SweepDialog from '@/parts/SweepDialog.vue'
import TooOften from '@/parts/TooOften.vue'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { account } = useSession()
const { saveSettings } = useSignIn()
const loadAhead = useLoadAhead()

const order = ref<ClearingOrder>(account.value?.clearingOrder ?? 'grouped')
const { data: tray, error, refetch } = useTray()
const { pile, at, current, ahead, isReady, take, putBack, step, again } = usePile(tray, order)
const { data: conversation, error: missing } = useConversation(() => current.value?.id ?? '')

/** The clearing goes on after a reload, since its address names it. */
const id = ref(String(route.query.of ?? '') || newId())
const isBegun = ref(false)
const ended = ref<Clearing | null>(null)
const { data: clearing } = useClearing(id, isBegun)
const sweeping = ref(false)
const cards = ref<InstanceType<typeof DecisionCards>>()

const decided = computed(() => clearing.value?.decided ?? 0)
const pending = ref(0)
const shown = computed(() =>
  conversation.value?.row.id === current.value?.id ? conversation.value : undefined,
)
const source = computed(() => shown.value?.messages.findLast(({ own }) => !own)?.id)
const items = computed(
  () =>
    shown.value?.messages
      .findLast(({ found }) => found?.items.length)
      ?.found?.items.map(({ text }) => text) ?? [],
)

async function begin(): Promise<void> {
  const known = route.query.of
    ? await answer(api.GET('/clearings/{id}', { params: { path: { id: id.value } } })).catch(() => null)
    : null
  if (known?.endedAt) id.value = newId()
  if (!known || known.endedAt) {
    await answer(api.POST('/clearings', { body: { id: id.value, order: order.value } }))
  }
  isBegun.value = true
  await router.replace({ query: { of: id.value } })
}
onMounted(() => attempt(begin))

async function end(): Promise<void> {
  if (ended.value || !isBegun.value) return
  await attempt(async () => {
    ended.value = await answer(api.PUT('/clearings/{id}/end', { params: { path: { id: id.value } } }))
  })
}

async function goOn(): Promise<void> {
  ended.value = null
  isBegun.value = false
  id.value = newId()
  again()
  await attempt(begin)
}

watch(order, (now) => {
  if (account.value)
    void saveSettings({ dayFirst: account.value.dayFirst, clearingOrder: now }).catch(() => undefined)
})
watch(ahead, (rows) => loadAhead(rows.map(({ id }) => id)), { immediate: true })
watch(
  () => shown.value?.row.unread && shown.value.row.id,
  (unread) => {
    if (unread)
      void api.PUT('/conversations/{id}/read', { params: { path: { id: unread } } }).catch(() => undefined)
  },
)

function next(): void {
  take()
  ++pending.value
  window.scrollTo({ top: 0 })
}
watch(decided, () => (pending.value = 0))

/** Through the pile, or nothing left of it: then it is over. */
watch([() => current.value?.id, isReady, decided], async ([now, ready]) => {
  if (ready && now === undefined && isBegun.value && (decided.value > 0 || pile.value.length > 0)) await end()
})

async function pass(): Promise<void> {
  const row = current.value
  if (!row) return
  step(1)
  const body = { occasion: id.value }
  await attempt(() =>
    answer(api.POST('/conversations/{id}/touches', { params: { path: { id: row.id } }, body })),
  )
  // The tray is asked for again when it is looked at.
  await queries.invalidateQueries({ queryKey: ['tray'], refetchType: 'none' })
}

function failed(rows: ConversationRow[]): void {
  putBack(rows)
  void queries.invalidateQueries({ queryKey: ['tray'] })
}

useKeys('Clearing', [
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
      @sweep="sweeping = true"
    />
    <FailedState v-else-if="error && !tray" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!isReady" />
    <EmptyState v-else-if="!current" title="Nothing to decide">
      The tray is empty.
      <template #actions><v-btn color="primary" to="/">Back to the tray</v-btn></template>
    </EmptyState>
    <div v-else class="desk">
      <div class="left">
        <ClearingHead
          v-model="order"
          :left="pile.length"
          :decided="decided + pending"
          :pace="clearing?.pace ?? 25"
          @end="end"
        />
        <TooOften v-if="isTooOften(current)" :row="current" @answer="(kind) => cards?.press(kind)" />
        <FailedState v-if="missing && !shown" :error="missing" @again="pass" />
        <ConversationSheet
          v-else-if="shown"
          :key="shown.row.id"
          class="top"
          :conversation="shown"
          :advice="shown.advice"
        />
        <div v-else class="sheet top waiting"><LoadingRows /></div>
        <PileEdges :left="pile.length" />
        <p class="hint">
          <button class="link" type="button" :disabled="at === 0" @click="step(-1)">
            <KeyCap name="ArrowLeft" /> Back
          </button>
          <button class="link" type="button" @click="pass"><KeyCap name="ArrowRight" /> Pass over</button>
        </p>
      </div>
      <aside>
        <h2 class="slate">What becomes of it?</h2>
        <DecisionCards
          ref="cards"
          :rows="[current]"
          :message="source"
          :advice="shown?.advice ?? null"
          :items="items"
          :clearing="id"
          eager
          @decided="next"
          @failed="failed"
        />
        <HistoryList v-if="shown" :conversation="shown" />
      </aside>
    </div>
    <SweepDialog v-model="sweeping" />
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

aside h2 {
  display: flex;
  align-items: center;
  min-height: 30px;
  margin: 0 0 14px;
  font-size: 14px;
  font-weight: 600;
}

.hint {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 22px;
  margin: 0;
  font-size: 13.5px;
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
}
</style>
