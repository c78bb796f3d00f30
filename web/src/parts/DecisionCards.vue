<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ConversationRow, LocalMoment, TaskFields } from '@/api/client'
import { type DecisionKind, useDeciding } from '@/api/deciding'
import { Problem } from '@/api/problem'
import { useKeys } from '@/keys/registry'
import KeyCap from './KeyCap.vue'
import SnoozeChooser from './SnoozeChooser.vue'
import TaskForm from './TaskForm.vue'
import { attempt, tell } from './notice'
import { counted } from './words'

/** The cards on which a decision is taken, for one conversation or for several. */
const props = defineProps<{ rows: ConversationRow[]; message?: string; bar?: boolean }>()
const emit = defineEmits<{ decided: [] }>()

const { decide, makeTasks } = useDeciding()
const open = ref<'task' | 'snooze' | null>(null)
const snoozeError = ref('')
const ids = computed(() => props.rows.map(({ id }) => id))
const single = computed(() => (props.rows.length === 1 ? props.rows[0] : undefined))

async function take(kind: DecisionKind): Promise<void> {
  open.value = null
  if (await attempt(() => decide(kind, ids.value))) emit('decided')
}

async function snooze(until: LocalMoment): Promise<void> {
  try {
    await decide('snooze', ids.value, until)
    open.value = null
    emit('decided')
  } catch (problem) {
    snoozeError.value = problem instanceof Problem ? problem.message : ''
    if (!snoozeError.value) tell(problem)
  }
}

async function saveTasks(fields: TaskFields): Promise<void> {
  await makeTasks(
    props.rows.map((row) => ({
      fields: single.value
        ? fields
        : { ...fields, title: row.subject || 'Look at the mail without a subject' },
      ...(single.value && props.message ? { message: props.message } : { conversation: row.id }),
    })),
  )
  open.value = null
  emit('decided')
}

function unfold(which: 'task' | 'snooze'): void {
  open.value = open.value === which ? null : which
  snoozeError.value = ''
}

const cards = computed(() => [
  {
    key: '2',
    text: 'Make a task',
    follows: single.value
      ? 'the mail goes to the archive'
      : `${counted(props.rows.length, 'task')}, mail to the archive`,
    run: () => unfold('task'),
  },
  { key: '3', text: 'Snooze', follows: 'away until a moment of your choice', run: () => unfold('snooze') },
  {
    key: '5',
    text: 'Archive',
    follows: 'nothing to do, kept and found again',
    run: () => void take('archive'),
  },
  { key: '6', text: 'Delete', follows: 'in the bin for 30 days', run: () => void take('delete') },
])

useKeys('Decide', [
  ...cards.value.map(({ key, text }) => ({
    key,
    label: text,
    when: () => props.rows.length > 0 && open.value !== 'snooze',
    run: () => cards.value.find((card) => card.key === key)?.run(),
  })),
  { key: 'Escape', label: 'Fold the card', when: () => open.value !== null, run: () => (open.value = null) },
])
</script>

<template>
  <div class="cards" :class="{ bar }">
    <template v-for="card in cards" :key="card.key">
      <button
        type="button"
        class="card"
        :disabled="!rows.length"
        :class="{ open: (card.key === '2' && open === 'task') || (card.key === '3' && open === 'snooze') }"
        :aria-expanded="card.key === '2' ? open === 'task' : card.key === '3' ? open === 'snooze' : undefined"
        @click="card.run"
      >
        <KeyCap :name="card.key" />
        <span class="text">{{ card.text }}</span>
        <span class="follows slate">{{ card.follows }}</span>
      </button>
      <div v-if="card.key === '2' && open === 'task'" class="fields">
        <p v-if="!single" class="slate">
          {{ counted(rows.length, 'task') }}, each with its subject as the title.
        </p>
        <TaskForm
          :initial="{ title: single?.subject ?? '', notes: '' }"
          :titleless="!single"
          :submit-text="single ? 'Make the task' : `Make ${counted(rows.length, 'task')}`"
          :save="saveTasks"
          @cancel="open = null"
        />
      </div>
      <div v-if="card.key === '3' && open === 'snooze'" class="fields">
        <SnoozeChooser :error="snoozeError" @choose="snooze" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
}

.card {
  position: relative;
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  margin-top: -4px;
  padding: 8px 16px;
  font: inherit;
  color: inherit;
  text-align: left;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 9px;
  box-shadow: 0 2px 5px rgb(30 44 53 / 7%);
  cursor: pointer;
  transition: transform 120ms;
}

/* a fan of cards: every other one is moved a little */
.cards:not(.bar) .card:nth-of-type(even) {
  transform: translateX(5px);
}

.cards:not(.bar) .card:hover {
  transform: translateX(-4px);
}

.card.open {
  border-color: rgb(var(--v-theme-primary));
  border-bottom-color: transparent;
  border-radius: 9px 9px 0 0;
  color: rgb(var(--v-theme-primary));
  transform: none !important;
}

.card:disabled {
  opacity: 0.5;
  box-shadow: none;
  cursor: default;
}

.text {
  font-weight: 600;
}

.follows {
  font-size: 13.5px;
  text-align: right;
}

.fields {
  position: relative;
  padding: 12px 16px 16px;
  margin-bottom: 10px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid rgb(var(--v-theme-primary));
  border-top: 0;
  border-radius: 0 0 9px 9px;
}

.fields p {
  margin: 0 0 10px;
}

/* in one line, above a list */
.bar {
  display: flex;
  gap: 8px;
  align-items: center;
}

.bar .card {
  min-height: 40px;
  margin: 0;
  padding: 6px 13px;
  grid-template-columns: auto auto;
  gap: 9px;
}

.bar .card.open {
  border-radius: 9px;
  border-color: rgb(var(--v-theme-primary));
}

.bar .follows {
  display: none;
}

.bar .fields {
  position: absolute;
  z-index: 20;
  top: 100%;
  right: 0;
  width: min(420px, calc(100vw - 24px));
  margin-top: 6px;
  padding: 18px;
  border: 1px solid rgb(var(--v-theme-primary));
  border-radius: 9px;
  box-shadow: var(--shadow);
}

@media (max-width: 760px) {
  .bar {
    flex-wrap: wrap;
  }

  .bar .fields {
    left: 0;
    width: auto;
  }

  .bar kbd,
  .card kbd {
    display: none;
  }

  .bar {
    gap: 6px;
  }

  .bar .card {
    padding: 6px 9px;
    font-size: 14px;
  }
}
</style>
