<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type OutgoingRow } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { toWhen, type Written } from '@/api/when'
import { useOutgoing } from '@/api/writing'
import AwayTabs from '@/parts/AwayTabs.vue'
import EmptyState from '@/parts/EmptyState.vue'
import FailedState from '@/parts/FailedState.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import { attempt } from '@/parts/notice'
import OutgoingLine from '@/parts/OutgoingLine.vue'
import WhenField from '@/parts/WhenField.vue'

/** Drafts, what waits for its moment, and what could not go out. */
const router = useRouter()
const { data, error, refetch } = useOutgoing()
const { sendMail, takeBack, dropDraft } = useDeciding()

const groups = computed(() => [
  { name: 'Not sent', rows: data.value?.troubles ?? [] },
  { name: 'Goes out', rows: data.value?.waiting ?? [] },
  { name: 'Drafts', rows: data.value?.drafts ?? [] },
])
const isEmpty = computed(() => groups.value.every(({ rows }) => !rows.length))

const moving = ref<OutgoingRow | null>(null)
const to = ref<Written>({ phrase: '', reading: null })
const wrong = ref('')
function ask(row: OutgoingRow): void {
  moving.value = row
  to.value = { phrase: 'tomorrow morning', reading: null }
  wrong.value = ''
}
async function move(): Promise<void> {
  const [row, at] = [moving.value, toWhen(to.value)]
  if (!row) return
  if (!at) wrong.value = 'When?'
  else if (await attempt(() => sendMail(row.id, { at, despite: true }))) moving.value = null
}

async function edit(row: OutgoingRow): Promise<void> {
  if (row.state === 'draft' || (await attempt(() => takeBack(row.id))))
    await router.push({ name: 'write', params: { id: row.id } })
}
const arrived = (row: OutgoingRow) =>
  attempt(async () => {
    await answer(api.POST('/outgoing/{id}/arrived', { params: { path: { id: row.id } } }))
    await refetch()
  })
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
            @edit="edit(row)"
            @move="ask(row)"
            @now="attempt(() => sendMail(row.id, { atOnce: true, despite: true }))"
            @back="attempt(() => takeBack(row.id))"
            @drop="attempt(() => dropDraft(row.id))"
            @arrived="arrived(row)"
          />
        </ul>
      </section>
    </template>
    <v-dialog
      :model-value="!!moving"
      max-width="440"
      aria-label="Another moment"
      @update:model-value="moving = null"
    >
      <form v-if="moving" class="sheet asking" novalidate @submit.prevent="move">
        <h2>When does “{{ moving.subject || 'no subject' }}” go out?</h2>
        <WhenField v-model="to" label="Goes out" :error="wrong" />
        <div class="actions">
          <v-btn type="submit" color="primary">Move</v-btn>
          <v-btn variant="text" @click="moving = null">Cancel</v-btn>
        </div>
      </form>
    </v-dialog>
  </div>
</template>

<style scoped src="../parts/dialog.css"></style>
<style scoped>
.bunch {
  margin-bottom: 14px;
  padding: 10px 0 8px;
}

.bunch h2 {
  margin: 0 0 4px;
  padding: 0 18px;
  font-size: 15px;
  font-weight: 600;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.actions {
  margin-top: 12px;
}
</style>
