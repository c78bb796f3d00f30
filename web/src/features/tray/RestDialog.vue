<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useCounts } from '@/shared/api/heartbeat'
import { day, nearness } from '@/shared/time/format'
import FailedState from '@/ui/FailedState.vue'
import IndexTab from '@/ui/IndexTab.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { attempt } from '@/shared/notice'
import RowChunks from '@/ui/RowChunks.vue'
import { counted, subjectOf } from '@/shared/words'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { useMailboxes } from '@/features/mailbox'
import { heldGroups } from './held'
import { useRestCheck } from './queries'
import { TickBox } from '@/ui/kit'

/** Archives all that is left in the tray, or the older part of an inbox, after a look at what had better stay. */
const open = defineModel<boolean>({ required: true })
const props = defineProps<{
  /** Whose older part it is; none: the tray */
  mailbox?: number | undefined
}>()
const emit = defineEmits<{ archived: [] }>()

const { data, error, isFetching, hasNextPage, refetch } = useRestCheck(open, () => props.mailbox)
const { data: counts } = useCounts()
const { all: mailboxes, archiveOlder } = useMailboxes()
const { decide } = useDecideSteps()
/** So many are decided in one step; others wait for it. */
const AT_ONCE = 2000
const ticked = ref(new Set<string>())
const there = ref(false)
const busy = ref(false)
watch(open, () => {
  ticked.value = new Set()
  there.value = false
})

const box = computed(() => mailboxes.value.find(({ number }) => number === props.mailbox))
const name = computed(() => (box.value ? `What is older in ${box.value.address}` : 'Archive the rest'))
const total = computed(() => box.value?.older.messages ?? counts.value?.tray ?? 0)
const held = computed(() => heldGroups((data.value?.pages ?? []).flatMap((page) => page.held)))
const all = computed(() => (data.value?.pages ?? []).flatMap(({ conversations }) => conversations))
/** How much has been looked at, of a hundred. */
const looked = computed(() => (100 * all.value.length) / Math.max(1, total.value))
const heldIds = computed(() => new Set(held.value.flatMap((one) => ('row' in one ? [one.id] : []))))
const goes = (id: string) => !heldIds.value.has(id) || ticked.value.has(id)
const going = computed(() => all.value.filter(({ id }) => goes(id)))
const staying = computed(() => all.value.filter(({ id }) => !goes(id)))

function tick(ids: string[]): void {
  const isAll = ids.every((id) => ticked.value.has(id))
  const next = new Set(ticked.value)
  for (const id of ids)
    if (isAll) next.delete(id)
    else next.add(id)
  ticked.value = next
}

async function decideAll(kind: 'archive_rest' | 'bring_back', which: typeof all.value): Promise<boolean> {
  let claims = which.map(({ id, revision }) => claimOf({ id, revision: revision ?? 0 }))
  let isDone = true
  while (claims.length && isDone) {
    const few = claims.slice(0, AT_ONCE)
    isDone = await attempt(() => decide(kind, few))
    claims = claims.slice(AT_ONCE)
  }
  return isDone
}

async function archive(): Promise<void> {
  busy.value = true
  const { mailbox } = props
  // The older part is in the archive already: what stays comes out of it.
  const isDone =
    mailbox === undefined
      ? await decideAll('archive_rest', going.value)
      : (await decideAll('bring_back', staying.value)) &&
        (await attempt(() => archiveOlder(mailbox, there.value)))
  if (isDone) {
    open.value = false
    emit('archived')
  } else void refetch()
  busy.value = false
}
</script>

<template>
  <ModalDialog :open="open" max-width="760" :name="name" scrollable @close="open = false">
    <div class="sheet rest">
      <h2>{{ name }}</h2>
      <FailedState v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="!data || isFetching || hasNextPage">
        <p v-if="all.length" role="status">{{ all.length }} of {{ total }} have been looked at.</p>
        <v-progress-linear v-if="all.length" :model-value="looked" color="primary" aria-label="Looked at" />
        <LoadingRows v-else />
      </template>
      <template v-else>
        <p>
          {{ counted(going.length, 'conversation') }} {{ going.length === 1 ? 'goes' : 'go' }} to the archive
          <template v-if="staying.length"
            >and {{ staying.length.toLocaleString('en') }} {{ staying.length === 1 ? 'stays' : 'stay' }} in
            the tray, since something still seems to hang on {{ staying.length === 1 ? 'it' : 'them' }}. Tick
            what can go nevertheless.</template
          >
          <template v-else-if="!going.length">, since there is nothing.</template>
          <template v-else-if="mailbox === undefined">and nothing stays in the tray.</template>
          <template v-else>and nothing of it comes into the tray.</template>
        </p>
        <RowChunks v-if="held.length" v-slot="{ row: one }" class="held" label="What stays" :rows="held">
          <li v-if="'ids' in one" class="why">
            <label>
              <TickBox
                :model-value="one.ids.every((id) => ticked.has(id))"
                :aria-label="`All of these can go: ${one.title}`"
                @change="tick(one.ids)"
              />
              <span class="slate">{{ one.title }} · {{ one.ids.length.toLocaleString('en') }}</span>
            </label>
          </li>
          <li v-else>
            <label>
              <TickBox :model-value="ticked.has(one.id)" @change="tick([one.id])" />
              <span class="who">{{ one.row.who }}</span>
              <span class="what"
                ><b>{{ subjectOf(one.row) }}</b
                ><br /><span class="slate" :title="one.reason">{{
                  one.row.advice?.asks ? `“${one.row.advice.asks}”` : one.reason
                }}</span></span
              >
              <IndexTab v-if="one.row.advice?.date" :near="nearness(one.row.advice.date.date)">{{
                day(one.row.advice.date.date)
              }}</IndexTab>
            </label>
          </li>
        </RowChunks>
        <label v-if="box && going.length" class="there"
          ><TickBox v-model="there" /> On the server, too,
          {{ going.length === 1 ? 'it leaves' : 'these leave' }} the inbox for the archive</label
        >
        <div class="actions">
          <v-btn variant="text" @click="open = false">Cancel</v-btn>
          <v-btn
            color="primary"
            :disabled="mailbox === undefined && !going.length"
            :loading="busy"
            @click="archive"
          >
            {{ going.length ? `Archive ${counted(going.length, 'conversation')}` : 'So be it' }}
          </v-btn>
        </div>
      </template>
    </div>
  </ModalDialog>
</template>

<style scoped>
.rest {
  display: flex;
  flex-direction: column;
  max-height: min(680px, 88vh);
  padding: 26px 30px 20px;
}

h2 {
  margin: 0 0 4px;
  font-size: var(--type-head);
}

p {
  margin: 0 0 12px;
  max-width: var(--measure);
}

.held {
  flex: 1;
  min-height: 0;
  overflow: auto;
  border: 1px solid var(--v-edge);
  border-radius: 9px;
}

.why {
  background: var(--v-rim);
}

.held label {
  display: grid;
  grid-template-columns: 16px 150px minmax(0, 1fr) auto;
  gap: 12px;
  padding: 7px 0 7px 14px;
  align-items: center;
  font-size: var(--type-text);
  cursor: pointer;
}

.held label:hover {
  background: var(--v-sea-soft);
}

.held .why label {
  grid-template-columns: 16px minmax(0, 1fr);
  padding: 4px 0 4px 14px;
}

.there {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-top: 14px;
}

.who,
.what {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.who {
  font-weight: 550;
}

.what b {
  font-weight: 550;
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 16px;
}

@media (max-width: 760px) {
  .rest {
    padding: 18px 14px;
  }

  .held label {
    grid-template-columns: 16px minmax(0, 1fr) auto;
  }

  .what {
    grid-column: 2;
  }
}
</style>
