<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { When } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useKeys } from '@/shared/keys/registry'
import AwayTabs from '@/ui/AwayTabs.vue'
import ComingLine from './ComingLine.vue'
import {
  canMove,
  dropText,
  gapText,
  headOf,
  KINDS,
  spotOf,
  useTimeLine,
  type Row,
  type Stretch,
} from './coming'
import DayStretch from './DayStretch.vue'
import { beginDrag, endDrag } from '@/ui/drag'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MoreRows from '@/ui/MoreRows.vue'
import MoveDialog from './MoveDialog.vue'
import { useWritingFrom } from '@/features/write'
import { attempt, tell } from '@/shared/notice'
import RowChunks from '@/ui/RowChunks.vue'
import { useSelection } from '@/shared/selection'
import { send } from '@/features/tasks'
import { nearDay } from '@/shared/time/format'
import { PlainButton } from '@/ui/kit'

const router = useRouter()
const {
  counts,
  left: more,
  coming,
  error,
  refetch,
  whole,
  kinds,
  clearing,
  stretches,
  rows,
  toggle,
  showAll,
  move,
  now,
} = useTimeLine()
const { current, currentId, moving: rowKeys } = useSelection(rows, 'data-coming', 'coming', whole)
const writeFrom = useWritingFrom()
const at = computed<Row | undefined>(() => rows.value[current.value])
const indexOf = (row: Row) => rows.value.findIndex(({ id }) => id === row.id)

const total = computed(() => Object.values(counts.value ?? {}).reduce((sum, count) => sum + count, 0))
const next = computed(() => {
  const first = stretches.value.flatMap((stretch) => stretch.rows)[0]
  return first ? `the next ${nearDay(first.date)}${first.time ? ` at ${first.time}` : ''}` : ''
})

const moving = ref<Row | null>(null)
const wrong = ref('')

async function moveTo(row: Row | null, to: When): Promise<void> {
  if (!row) return
  try {
    await move(row, to)
    moving.value = null
    wrong.value = ''
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = Object.values(problem.fields)[0] ?? problem.message
    else tell(problem)
  }
}

function ask(row: Row | undefined): void {
  wrong.value = ''
  if (row && canMove(row)) moving.value = row
  else if (row) tell(new Problem('It comes again and again. Open it and change its reminder there.', 422))
}

function sendIt(row: Row): void {
  if (row.kind === 'reminder') ask(row)
  else if (row.task) send({ kind: 'task', tasks: [row.task] })
  else if (row.conversation) send({ kind: 'conversation', rows: [row.conversation] })
}

/** What is dragged over the time line, and where it would be put down. */
const dragged = ref<Row | null>(null)
const over = ref<Stretch | null>(null)
const said = computed(() => (dragged.value && over.value ? dropText(over.value, dragged.value) : ''))

function begin(event: DragEvent, row: Row): void {
  dragged.value = row
  if (row.kind !== 'reminder' && row.task) beginDrag(event, { kind: 'task', tasks: [row.task] })
  else if (row.kind !== 'reminder' && row.conversation)
    beginDrag(event, { kind: 'conversation', rows: [row.conversation] })
}

function left({ currentTarget, relatedTarget }: DragEvent): void {
  if (!(currentTarget as HTMLElement).contains(relatedTarget as Node | null)) over.value = null
}

function end(): void {
  dragged.value = null
  over.value = null
  endDrag()
}

async function drop(stretch: Stretch): Promise<void> {
  const row = dragged.value
  end()
  if (row) await attempt(() => move(row, spotOf(stretch, row)))
}

useKeys('Coming back', [
  ...rowKeys,
  { key: '3', label: 'Move to another time', when: () => !!at.value, run: () => ask(at.value) },
  {
    key: '=',
    label: 'Send to another day',
    when: () => !!at.value,
    run: () => at.value && sendIt(at.value),
  },
  {
    key: 'Backspace',
    label: 'Bring back or begin now; do not remind',
    when: () => !!at.value,
    run: () => at.value && void attempt(() => now(at.value as Row)),
  },
  {
    key: '0',
    label: 'Answer',
    when: () => !!at.value?.conversation,
    run: () => at.value?.conversation && writeFrom(at.value.conversation),
  },
  {
    key: 'Escape',
    label: 'To the tray',
    when: () => !moving.value,
    run: () => void router.push('/'),
  },
])
</script>

<template>
  <div class="view" @dragover.capture="over = null" @dragleave="left">
    <AwayTabs
      >Coming back <small v-if="next">{{ next }}</small></AwayTabs
    >
    <div v-if="counts && total" class="kinds" role="group" aria-label="Show">
      <PlainButton
        v-for="{ kind, text } in KINDS"
        :key="kind"
        :aria-pressed="kinds.includes(kind)"
        @click="toggle(kind)"
      >
        {{ text }} <b>{{ counts[kind] }}</b>
      </PlainButton>
    </div>
    <FailedState v-if="error && !counts" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!counts" />
    <EmptyState v-else-if="!total" title="Nothing is away">
      What you put off waits here and comes back by itself at its moment, with the tasks that begin later and
      your reminders.
      <template #actions><v-btn variant="outlined" to="/">Go to the tray</v-btn></template>
    </EmptyState>
    <EmptyState v-else-if="!rows.length" title="Nothing of that kind">
      <template #actions><v-btn variant="outlined" @click="showAll">Show everything</v-btn></template>
    </EmptyState>
    <div v-else class="time-line">
      <DayStretch v-if="clearing.length" head="Next" sub="clearing">
        <ComingLine
          v-for="row in clearing"
          :key="row.id"
          :row="row"
          :current="row.id === currentId"
          dated
          draggable="true"
          @focusin="current = indexOf(row)"
          @dragstart="begin($event, row)"
          @dragend="end"
          @now="attempt(() => now(row))"
          @move="ask(row)"
        />
      </DayStretch>
      <template v-for="stretch in stretches" :key="`${stretch.kind} ${stretch.from} ${stretch.hour}`">
        <p
          v-if="stretch.kind === 'gap'"
          class="gap"
          :class="{ over: over === stretch }"
          @dragover.prevent="over = stretch"
          @drop.prevent="drop(stretch)"
        >
          <span>{{ gapText(stretch) }}</span>
        </p>
        <DayStretch
          v-else
          v-bind="headOf(stretch)"
          :class="{ over: over === stretch }"
          @dragover.prevent="over = stretch"
          @drop.prevent="drop(stretch)"
        >
          <template #chunks>
            <RowChunks
              v-slot="{ row }"
              :rows="stretch.rows"
              :current="currentId"
              :among="rows.length"
              :above="stretch.rows[0] ? indexOf(stretch.rows[0]) : 0"
            >
              <ComingLine
                :row="row"
                :current="row.id === currentId"
                :dated="stretch.kind === 'week' || stretch.kind === 'month'"
                :draggable="canMove(row)"
                @focusin="current = indexOf(row)"
                @dragstart="begin($event, row)"
                @dragend="end"
                @now="attempt(() => now(row))"
                @move="ask(row)"
              />
            </RowChunks>
          </template>
        </DayStretch>
      </template>
      <MoreRows :parts="coming" :left="more" one="row" />
    </div>
    <p v-if="said" class="said" role="status">{{ said }}</p>
    <MoveDialog :row="moving" :error="wrong" @move="(to) => moveTo(moving, to)" @close="moving = null" />
  </div>
</template>

<style scoped src="./coming-back.css"></style>
