<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type OutgoingRow, type When } from '@/shared/api/client'
import AwayTabs from '@/ui/AwayTabs.vue'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import { useKeys } from '@/shared/keys/registry'
import { useSelection } from '@/shared/selection'
import OutgoingLine from './OutgoingLine.vue'
import { holdKeys } from '@/shared/typing/held'
import WhenDialog from '@/ui/WhenDialog.vue'
import { useOutgoing } from './queries'
import { useWriteSteps } from './steps'

/** Drafts, what waits for its moment, and what could not go out. */
const router = useRouter()
const { data, error, refetch } = useOutgoing()
const { sendMail, takeBack, dropDraft } = useWriteSteps()

const groups = computed(() => [
  { name: 'Not sent', rows: data.value?.troubles ?? [] },
  { name: 'Goes out', rows: data.value?.waiting ?? [] },
  { name: 'Drafts', rows: data.value?.drafts ?? [] },
])
const rows = computed(() => groups.value.flatMap((group) => group.rows))
const { current, currentId, moving: rowKeys } = useSelection(rows, 'data-outgoing', 'going-out')
const at = computed(() => rows.value[current.value])
const isWaiting = () => at.value?.state === 'waiting'
const isEmpty = computed(() => groups.value.every(({ rows }) => !rows.length))

const moving = ref<OutgoingRow | null>(null)
async function move(at: When): Promise<void> {
  const row = moving.value
  if (row && (await attempt(() => sendMail(row.id, { at, despite: true })))) moving.value = null
}

/** A draft is gone on with; what waits to go out is only shown. */
function open(row: OutgoingRow): void {
  if (row.state === 'draft') holdKeys()
  void router.push({ name: 'write', params: { id: row.id } })
}
const arrived = (row: OutgoingRow) =>
  attempt(async () => {
    await answer(api.POST('/outgoing/{id}/arrived', { params: { path: { id: row.id } } }))
    await refetch()
  })

useKeys('Drafts and going out', [
  ...rowKeys,
  {
    key: '0',
    label: 'Go on writing, or look at it',
    when: () => !!at.value,
    run: () => at.value && open(at.value),
  },
  { key: '3', label: 'Move to another time', when: isWaiting, run: () => (moving.value = at.value ?? null) },
  {
    key: '6',
    label: 'Delete the draft',
    when: () => at.value?.state === 'draft',
    run: () => at.value && void attempt(() => dropDraft(at.value?.id ?? '')),
  },
  {
    key: 'Backspace',
    label: 'Back to drafts',
    when: isWaiting,
    run: () => at.value && void attempt(() => takeBack(at.value?.id ?? '')),
  },
])
</script>

<template>
  <div class="view">
    <AwayTabs />
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="isEmpty" title="Nothing is being written">
      Answers that you begin, and messages that go out later, are here until they are out.
    </EmptyState>
    <template v-for="group in groups" v-else :key="group.name">
      <section v-if="group.rows.length" class="sheet bunch" :aria-label="group.name">
        <h2>{{ group.name }}</h2>
        <ul>
          <OutgoingLine
            v-for="row in group.rows"
            :key="row.id"
            :row="row"
            :current="row.id === currentId"
            @focusin="current = rows.indexOf(row)"
            @edit="open(row)"
            @move="moving = row"
            @now="attempt(() => sendMail(row.id, { atOnce: true, despite: true }))"
            @back="attempt(() => takeBack(row.id))"
            @drop="attempt(() => dropDraft(row.id))"
            @arrived="arrived(row)"
          />
        </ul>
      </section>
    </template>
    <WhenDialog
      :title="moving ? `When does “${moving.subject || 'no subject'}” go out?` : ''"
      label="Goes out"
      first="tomorrow morning"
      @choose="move"
      @close="moving = null"
    />
  </div>
</template>

<style scoped src="@/ui/bunch.css"></style>
