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
import { useRestCheck } from './queries'
import { TickBox } from '@/ui/kit'

/** Archives all that is left in the tray, after a look at what had better stay. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ archived: [] }>()

const { data, error, isFetching, hasNextPage, refetch } = useRestCheck(open)
const { data: counts } = useCounts()
const { decide } = useDecideSteps()
/** So many are archived in one step; others wait for it. */
const AT_ONCE = 2000
const ticked = ref(new Set<string>())
const busy = ref(false)
watch(open, () => (ticked.value = new Set()))

const held = computed(() =>
  (data.value?.pages ?? []).flatMap((page) => page.held.map((one) => ({ ...one, id: one.row.id }))),
)
const all = computed(() => (data.value?.pages ?? []).flatMap(({ conversations }) => conversations))
/** How much of the tray has been looked at, of a hundred. */
const looked = computed(() => (100 * all.value.length) / Math.max(1, counts.value?.tray ?? 0))
const heldIds = computed(() => new Set(held.value.map(({ row }) => row.id)))
const going = computed(() => all.value.filter(({ id }) => !heldIds.value.has(id) || ticked.value.has(id)))
const staying = computed(() => all.value.length - going.value.length)

function tick(id: string): void {
  const next = new Set(ticked.value)
  if (!next.delete(id)) next.add(id)
  ticked.value = next
}

async function archiveRest(): Promise<void> {
  busy.value = true
  let claims = going.value.map(({ id, revision }) => claimOf({ id, revision: revision ?? 0 }))
  let isDone = true
  while (claims.length && isDone) {
    const few = claims.slice(0, AT_ONCE)
    isDone = await attempt(() => decide('archive_rest', few))
    claims = claims.slice(AT_ONCE)
  }
  if (isDone) {
    open.value = false
    emit('archived')
  } else void refetch()
  busy.value = false
}
</script>

<template>
  <ModalDialog :open="open" max-width="760" name="Archive the rest" scrollable @close="open = false">
    <div class="sheet rest">
      <h2>Archive the rest</h2>
      <FailedState v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="!data || isFetching || hasNextPage">
        <p v-if="all.length" role="status">
          {{ all.length }} of {{ counts?.tray ?? all.length }} have been looked at.
        </p>
        <v-progress-linear v-if="all.length" :model-value="looked" color="primary" aria-label="Looked at" />
        <LoadingRows v-else />
      </template>
      <template v-else>
        <p>
          {{ counted(going.length, 'conversation') }} {{ going.length === 1 ? 'goes' : 'go' }} to the archive
          <template v-if="staying"
            >and {{ staying }} {{ staying === 1 ? 'stays' : 'stay' }} in the tray, since something still seems
            to hang on {{ staying === 1 ? 'it' : 'them' }}. Tick what can go nevertheless.</template
          >
          <template v-else-if="going.length">and nothing stays in the tray.</template>
        </p>
        <RowChunks
          v-if="held.length"
          v-slot="{ row: { row, reason } }"
          class="held"
          label="What stays"
          :rows="held"
        >
          <li>
            <label>
              <TickBox :model-value="ticked.has(row.id)" @change="tick(row.id)" />
              <span class="who">{{ row.who }}</span>
              <span class="what"
                ><b>{{ subjectOf(row) }}</b
                ><br /><span class="slate" :title="reason">{{
                  row.advice?.asks ? `“${row.advice.asks}”` : reason
                }}</span></span
              >
              <IndexTab v-if="row.advice?.date" :near="nearness(row.advice.date.date)">{{
                day(row.advice.date.date)
              }}</IndexTab>
            </label>
          </li>
        </RowChunks>
        <div class="actions">
          <v-btn variant="text" @click="open = false">Cancel</v-btn>
          <v-btn color="primary" :disabled="!going.length" :loading="busy" @click="archiveRest">
            Archive {{ counted(going.length, 'conversation') }}
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

label {
  display: grid;
  grid-template-columns: 16px 150px minmax(0, 1fr) auto;
  gap: 12px;
  padding: 7px 0 7px 14px;
  align-items: center;
  font-size: var(--type-text);
  cursor: pointer;
}

label:hover {
  background: var(--v-sea-soft);
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

  label {
    grid-template-columns: 16px minmax(0, 1fr) auto;
  }

  .what {
    grid-column: 2;
  }
}
</style>
