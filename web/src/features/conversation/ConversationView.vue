<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onBeforeUnmount, onUnmounted, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import { api, newId, type ConversationRow } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { useKeys } from '@/shared/keys/registry'
import { EventFromMail, InvitationCard } from '@/features/agenda'
import { StampCards } from '@/features/stamps'
import { send } from '@/features/tasks'
import { useAnswering, useAwaited, DraftStrip, WriteSheet } from '@/features/write'
import BackStrip from './BackStrip.vue'
import ConversationReminders from './ConversationReminders.vue'
import ConversationSheet from './ConversationSheet.vue'
import { WhatBecomes } from '@/features/importance'
import { DecisionCards } from '@/features/decide'
import FailedState from '@/ui/FailedState.vue'
import { markRead, useReading } from './reading'
import { inGroups, nextOfGroup, trayLabel, trayOrder } from './grouping'
import { trayKey } from '@/shared/steps/trayKey'
import HistoryList from './HistoryList.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import { OwedIn } from '@/features/owed'
import { placeText } from '@/shared/places'
import { useConversation } from './queries'
import { useDecideSteps } from '@/shared/steps/decide'

const props = defineProps<{ id: string }>()
const router = useRouter()
const route = useRoute()
const queries = useQueryClient()
const { decide } = useDecideSteps()
const { account } = useSession()
const { data: conversation, error, refetch } = useConversation(() => props.id)

const row = computed(() => conversation.value?.row)
const source = computed(() => conversation.value?.messages.findLast(({ own }) => !own)?.id)

useReading(
  () => row.value,
  async (id) => {
    await markRead(id)
    queries.setQueriesData<ConversationRow[]>({ queryKey: trayKey() }, (rows) =>
      rows?.map((other) => (other.id === id ? { ...other, unread: false } : other)),
    )
  },
)

/** The neighbours in the tray as it was last shown. */
const trayRows = () =>
  queries.getQueryData<ConversationRow[]>(trayKey(trayOrder.value, trayLabel.value)) ?? []
function neighbour(by: number): string | undefined {
  const rows = inGroups(trayRows()).flatMap((group) => group.rows)
  const index = rows.findIndex(({ id }) => id === props.id)
  return index < 0 ? undefined : rows[index + by]?.id
}

function step(by: number): void {
  const id = neighbour(by)
  if (id) void router.replace({ name: 'conversation', params: { id } })
}

/** Who looks at a conversation of the tray and goes on without a decision has touched it. */
let undecided: string | undefined
function passOver(): void {
  if (!undecided) return
  const params = { path: { id: undecided } }
  undecided = undefined
  void api
    .POST('/conversations/{id}/touches', { params, body: { occasion: newId() } })
    .then(() => queries.invalidateQueries({ queryKey: ['tray'], refetchType: 'none' }))
    .catch(() => undefined)
}
watch(row, (now) => {
  if (now?.id !== undecided) passOver()
  undecided = now?.place === 'tray' ? now.id : undefined
})
onBeforeUnmount(passOver)
// It may be decided before it is opened again.
onUnmounted(() => queries.removeQueries({ queryKey: ['conversation'], type: 'inactive' }))

/** The next one of its group opens, or the list, as the person wants it. */
let next: string | undefined
watch(
  row,
  (now) => {
    if (now?.id === props.id && now.place === 'tray') next = nextOfGroup(trayRows(), now.id)
  },
  { immediate: true },
)
function decided(): void {
  const wasInTray = undecided === props.id
  undecided = undefined
  if (isLeft) return
  if (wasInTray && next && account.value?.settings.nextAfterDeciding)
    void router.replace({ name: 'conversation', params: { id: next } })
  else leave()
}

const { writing, write, goOn, close } = useAnswering(
  () => conversation.value,
  () => row.value,
)
useAwaited(() => conversation.value, write)
/** What is opened for its draft begins with it. */
watch(
  () => [row.value?.id, route.query.draft],
  ([id, draft]) => id === props.id && typeof draft === 'string' && setTimeout(() => goOn(draft)),
  { immediate: true },
)

/** What lay elsewhere stays there to be looked at. */
function sent(): void {
  const wasInTray = undecided === props.id
  close()
  if (wasInTray) decided()
}

let isLeft = false
onBeforeRouteLeave(() => {
  isLeft = true
})

function leave(): void {
  // The answer may come when the person is elsewhere already, or on the way.
  if (isLeft) return
  // Not by going back in the history: that begins later, and would cut short what the person does next.
  void router.replace(String(router.options.history.state.back ?? '/'))
}

async function put(kind: 'bring_back' | 'put_back'): Promise<void> {
  if (await attempt(() => decide(kind, [{ id: props.id }]))) await refetch()
}

useKeys('Conversation', [
  {
    key: '=',
    label: 'Send to a day',
    when: () => !!row.value,
    run: () => row.value && send({ kind: 'conversation', rows: [row.value] }),
  },
  {
    key: 'ArrowRight',
    label: 'Next conversation of the tray',
    when: () => !!neighbour(1),
    run: () => step(1),
  },
  {
    key: 'ArrowLeft',
    label: 'Previous conversation of the tray',
    when: () => !!neighbour(-1),
    run: () => step(-1),
  },
  {
    key: 'Backspace',
    label: 'Bring back into the tray',
    when: () => !!row.value && row.value.place !== 'tray',
    run: () => void put(row.value?.place === 'bin' ? 'put_back' : 'bring_back'),
  },
  { key: 'Escape', label: 'Back to the list', run: leave },
])
</script>

<template>
  <div class="view open">
    <FailedState v-if="error && !conversation" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!conversation || !row" />
    <template v-else>
      <div>
        <BackStrip :row="row" />
        <ConversationSheet
          :key="row.id"
          :conversation="conversation"
          :advice="row.place === 'tray' ? conversation.advice : null"
        />
        <DraftStrip v-if="!writing" :drafts="conversation.drafts" @open="goOn" />
        <WriteSheet
          v-if="writing"
          :key="writing.id ?? writing.message"
          :writing="writing"
          @sent="sent"
          @close="close"
        />
      </div>
      <aside>
        <WhatBecomes :row="row" />
        <InvitationCard :conversation="conversation" @decided="decided" />
        <EventFromMail :conversation="conversation" />
        <StampCards :rows="[row]" @decided="decided()" />
        <DecisionCards
          :key="row.id"
          :rows="[row]"
          :message="source"
          :advice="row.place === 'tray' ? conversation.advice : null"
          :proposal="conversation?.proposal"
          @decided="decided"
          @write="write"
        />
        <div v-if="row.place !== 'tray'" class="where">
          <p>It is {{ placeText(row) }}.</p>
          <v-btn
            variant="outlined"
            size="small"
            @click="put(row.place === 'bin' ? 'put_back' : 'bring_back')"
          >
            {{ row.place === 'bin' ? 'Put back into the tray' : 'Bring back into the tray' }}
            <KeyCap name="Backspace" />
          </v-btn>
        </div>
        <OwedIn :owed="conversation.owed" :row="row" @decided="decided" />
        <ConversationReminders :key="row.id" :conversation="conversation" />
        <HistoryList :conversation="conversation" />
      </aside>
    </template>
  </div>
</template>

<style scoped>
.open {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 366px;
  gap: 30px;
  align-items: start;
}

.open > :only-child {
  grid-column: 1 / -1;
}

aside {
  position: sticky;
  top: 72px;
}

.where {
  margin-top: 18px;
  padding: 12px 16px;
  border: 1px dashed var(--v-edge);
  border-radius: 9px;
}

.where p {
  margin: 0 0 8px;
}

@media (max-width: 960px) {
  .open {
    grid-template-columns: minmax(0, 1fr);
    gap: 18px;
  }

  aside {
    position: static;
  }
}
</style>
