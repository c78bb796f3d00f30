<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Advice, ConversationRow, TaskFields, TaskProposal } from '@/shared/api/client'
import type { Written } from '@/shared/api/when'
import { useKeys } from '@/shared/keys/registry'
import { holdKeys } from '@/shared/typing/held'
import { useInView } from '@/ui/inview'
import { day } from '@/shared/time/format'
import { type Wanted } from '@/features/write'
import BlockForm from './BlockForm.vue'
import { CARDS, OUTCOMES, type Card, type CardKind } from './cards'
import HandOverForm from './HandOverForm.vue'
import KeyCap from '@/ui/KeyCap.vue'
import TwoMinutes from './TwoMinutes.vue'
import SnoozeChooser from './SnoozeChooser.vue'
import { emptyDraft, fieldsOf, proposedDraft, OutlineDialog, TaskForm } from '@/features/tasks'
import LoadingRows from '@/ui/LoadingRows.vue'
import { useProposing } from './proposal'
import { useTaking, type Along } from './take'
import { counted, sentence } from '@/shared/words'
import { useSnoozeChoices } from '@/shared/api/snoozeChoices'
import { LinkButton, PlainButton, TickBox } from '@/ui/kit'

/** The cards on which a decision is taken, for one conversation or for several. The advised one lies on top, unfolded. */
const props = defineProps<{
  rows: ConversationRow[]
  message?: string
  /** In one line, above a list */
  bar?: boolean
  advice?: Advice | null
  /** What a task of it would be, and when it would come back instead */
  proposal?: TaskProposal | null | undefined
  clearing?: string
  eager?: boolean
}>()
const emit = defineEmits<{
  decided: [along?: Along]
  /** What was taken for decided at once is accepted */
  settled: [rows: ConversationRow[]]
  failed: [rows: ConversationRow[]]
  write: [wanted: Wanted]
  /** Folded, and nothing was decided */
  folded: []
}>()

const { open, wrong, take, saveTasks, snooze, handOver, unfold } = useTaking(props, {
  decided: (along) => emit('decided', along),
  settled: (rows) => emit('settled', rows),
  failed: (rows) => emit('failed', rows),
})
// Ready before they are asked for: who types fast presses 3 and 1 at once.
useSnoozeChoices()
const single = computed(() => (props.rows.length === 1 ? props.rows[0] : undefined))
const advised = computed(() =>
  props.advice ? CARDS.find((card) => card.advised === props.advice?.decision) : undefined,
)
const cards = computed(() =>
  advised.value ? [advised.value, ...CARDS.filter((card) => card !== advised.value)] : CARDS,
)
const shown = computed<CardKind | null>(() => open.value ?? advised.value?.kind ?? null)
const { proposal, proposals, isAsking } = useProposing(props, () => open.value === 'make_task')
const until = computed(() => proposal.value?.until ?? undefined)
const initial = computed(() =>
  single.value ? proposedDraft(proposal.value, single.value.subject) : emptyDraft(),
)
/** The list in the message becomes subtasks, unless the person says no. */
const listed = computed(() => (single.value ? (proposal.value?.subtasks ?? []) : []))
const withList = ref(true)
const outline = ref(false)
const subtasks = computed(() => (withList.value ? listed.value : []))
const listText = computed(() => listed.value.map(({ title }) => `- ${title}`).join('\n'))
const form = ref<InstanceType<typeof TaskForm | typeof HandOverForm | typeof BlockForm> | null>(null)
const isForm = (one: unknown) => void (form.value = one as typeof form.value)

/**
 * The same key again says that it is done; a card that is unfolded already takes the focus.
 *
 * @param isClick nobody is blocked by a click that is to fold the card
 */
async function press(card: Card, isClick = false): Promise<void> {
  const isOpen = open.value === card.kind
  if (!card.asks) return void take(card.kind as Exclude<CardKind, 'make_task'>)
  if (isOpen && card.kind === 'do_now') return void take('do_now')
  if (isOpen && card.kind === 'block') return isClick ? fold() : void take('block')
  if (!isOpen && advised.value === card && card.kind !== 'do_now' && card.kind !== 'snooze') {
    open.value = card.kind
    await nextTick()
    form.value?.focus()
    return
  }
  if (props.bar && card.kind === 'make_task' && !isOpen) holdKeys()
  unfold(card.kind)
}

const root = ref<HTMLElement>()
useInView(root, open)

/** Back to the row, or to the page: what is pressed next is a decision again, and no letter of a field. */
function fold(): void {
  open.value = null
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  emit('folded')
}

/** Of several each is made as it would be by itself; a due, a list or the like that is filled in holds for all. */
const makeTasks = async (fields: TaskFields): Promise<boolean> =>
  single.value ? saveTasks(fields, subtasks.value) : saveTasks(fields, [], await proposals())

function follow(): void {
  const card = advised.value
  if (!card) return
  if (card.kind === 'make_task') {
    void (form.value && 'submit' in form.value
      ? form.value.submit()
      : saveTasks(fieldsOf(initial.value), subtasks.value))
  } else if (card.kind === 'snooze' && until.value) void snooze(until.value, 'snooze')
  else if (card.kind === 'block') void take('block')
  else void press(card)
}

/** The conversation is painted first, the fields of its card right after it. */
const isPainted = ref(true)
watch(
  () => single.value?.id,
  () => {
    open.value = null
    withList.value = true
    isPainted.value = false
    requestAnimationFrame(() => setTimeout(() => (isPainted.value = true)))
  },
)
/** Answering is doing it now: the clock runs beside the letter. */
function answerIt(): void {
  open.value = 'do_now'
  emit('write', { kind: 'reply', then: 'do_now' })
}
function passOn(to: string, what: string, until: Written): void {
  open.value = null
  emit('write', { kind: 'forward', then: 'hand_over', to: to.replace(/[,\s]+$/, ''), what, until })
}
defineExpose({ press: (kind: CardKind) => void press(CARDS.find((card) => card.kind === kind) as Card) })

const canFollow = () => !!advised.value && (open.value === null || open.value === advised.value.kind)
const canAnswer = () => !!single.value && open.value !== 'snooze'
const hasList = () => listed.value.length > 0

useKeys('Decide', [
  { key: ' ', label: 'Follow the advice', when: canFollow, run: follow },
  ...CARDS.map((card) => ({
    key: card.key,
    label: card.text,
    when: () => props.rows.length > 0 && open.value !== 'snooze',
    run: () => void press(card),
  })),
  { key: '0', label: 'Answer', when: canAnswer, run: answerIt },
  { key: '9', label: 'Its list as tasks', when: hasList, run: () => (outline.value = true) },
  { key: 'Escape', label: 'Fold the card', typing: true, when: () => open.value !== null, run: fold },
])
</script>

<template>
  <div ref="root" class="cards" :class="{ bar }">
    <PlainButton v-if="!bar && single" class="card answer" title="Answer (0)" @click="answerIt">
      <KeyCap name="0" /> <span class="text">Answer</span>
      <span class="follows slate">the letter opens below</span>
    </PlainButton>
    <template v-for="card in cards" :key="card.kind">
      <PlainButton
        class="card"
        :disabled="!rows.length"
        :class="{ open: shown === card.kind && !bar, lit: open === card.kind, advised: card === advised }"
        :aria-expanded="card.asks ? shown === card.kind : undefined"
        :title="`${card.text} (${card.key}): ${card.follows(rows)}`"
        @click="press(card, true)"
      >
        <KeyCap :name="card.key" />
        <span class="text">{{ card.text }}</span>
        <span class="follows slate">
          <template v-if="card === advised"><KeyCap name=" " /></template>
          <template v-else>{{ card.follows(rows) }}</template>
        </span>
      </PlainButton>
      <div
        v-if="shown === card.kind && (!bar || open) && (isPainted || open)"
        class="fields"
        :class="{ resting: open === null }"
      >
        <template v-if="card === advised && advice && open !== 'do_now'">
          <p class="reasons">{{ advice.reasons.join(' ') }}</p>
        </template>
        <template v-if="card.kind === 'make_task'">
          <p v-if="!single" class="slate">
            {{ counted(rows.length, 'task') }}, each with its own title, due and list. What is filled in here
            holds for all.
          </p>
          <LoadingRows v-if="isAsking" />
          <TaskForm
            v-else
            :ref="isForm"
            :key="single?.id"
            :place="`take:${single?.id ?? 'several'}`"
            :initial="initial"
            :titleless="!single"
            :still="open === null"
            compact
            :quote="proposal ? proposal.words : undefined"
            :submit-text="single ? 'Make the task' : `Make ${counted(rows.length, 'task')}`"
            :save="makeTasks"
            @cancel="fold"
          >
            <label v-if="listed.length" class="list">
              <TickBox v-model="withList" />
              with its list as {{ counted(listed.length, 'subtask') }}
              <LinkButton @click="outline = true">look <KeyCap name="9" /></LinkButton>
            </label>
          </TaskForm>
        </template>
        <template v-else-if="card.kind === 'snooze'">
          <p v-if="open === null && until" class="outcome">
            It comes back {{ day(until.date) }}, {{ until.time }}.
          </p>
          <SnoozeChooser v-else-if="open === 'snooze'" :rows="rows" :error="wrong.until" @choose="snooze" />
        </template>
        <HandOverForm
          v-else-if="card.kind === 'hand_over'"
          :ref="isForm"
          :key="single?.id"
          :place="`hand-over:${single?.id ?? 'several'}`"
          :what="advice?.title"
          :until="until"
          :wrong="wrong"
          :still="open === null"
          :several="!single"
          :save="handOver"
          @write="passOn"
          @cancel="fold"
        />
        <BlockForm
          v-else-if="card.kind === 'block'"
          :ref="isForm"
          :rows="rows"
          :still="open === null"
          @submit="(wholeDomain) => take('block', { wholeDomain })"
          @cancel="fold"
        />
        <TwoMinutes
          v-else-if="card.kind === 'do_now' && open === 'do_now'"
          :what="advice?.title || single?.subject"
          :conversation="single?.id"
          @done="take('do_now')"
          @answer="answerIt"
          @task="unfold('make_task')"
        />
        <p v-if="card === advised && open === null && OUTCOMES[card.kind]" class="outcome">
          {{ card.kind === 'do_now' ? sentence(advice?.title ?? '') : '' }} {{ OUTCOMES[card.kind] }}
        </p>
      </div>
    </template>
    <OutlineDialog
      v-if="outline && single"
      :place="`outline:${single.id}`"
      :title="initial.title"
      :text="listText"
      :save="(fields, made) => saveTasks({ ...fieldsOf(initial), ...fields }, made)"
      @close="outline = false"
    />
  </div>
</template>

<style scoped src="./cards.css"></style>
