<script setup lang="ts">
import { useLocalStorage, useMediaQuery } from '@vueuse/core'
import { computed, ref } from 'vue'
import type {
  CardName,
  ConversationRow,
  ListCard,
  StageOfCards,
  TaskList,
  TaskRow,
} from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { useSelection } from '@/shared/selection'
import { ALONG, BACK, useAlong } from '@/shared/steps/along'
import { useKeys } from '@/shared/keys/registry'
import { DecisionCards } from '@/features/decide'
import { MarkButtons, useMarkKeys } from '@/features/labels'
import { StampCards } from '@/features/stamps'
import { useCompleting } from '@/features/tasks'
import { useWritingFrom } from '@/features/write'
import { beginDrag, dragged, endDrag } from '@/ui/drag'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton, PlainButton, TextInput } from '@/ui/kit'
import { behindAt, beside, nameOf, pastNext } from './board'
import { useStages } from './queries'
import StageColumn from './StageColumn.vue'
import StagesDialog from './StagesDialog.vue'
import { useListCardSteps } from './steps'

/** Where the cases of a list stand: stops on a line from left to right, with cards under them. */
const props = defineProps<{ list: TaskList }>()

const most = ref(100)
const { data, error, refetch } = useStages(() => props.list.id, most)
const { putAtStage } = useListCardSteps()
const { along } = useAlong()
const { check } = useCompleting()
const writeFrom = useWritingFrom()

/** Stages that are folded on this device, by id; what stands off the line, by the list's. */
const folds = useLocalStorage<string[]>('zippy-tray.folded-stages', [])
const keyOf = (place: StageOfCards) => place.stage?.id ?? props.list.id
const isFolded = (place: StageOfCards) => folds.value.includes(keyOf(place))
const fold = (place: StageOfCards) =>
  (folds.value = isFolded(place)
    ? folds.value.filter((id) => id !== keyOf(place))
    : [...folds.value, keyOf(place)])

/** On a phone one stage at a time. */
const isNarrow = useMediaQuery('(max-width: 760px)')
const one = ref(0)
/** What stands off the line comes first: it lies before the first stop. */
const places = computed(() => {
  const all = data.value?.stages ?? []
  return [...all.slice(-1), ...all.slice(0, -1)]
})
const numbered = computed(() => places.value.map((place, number) => ({ place, number })))
const shown = computed(() =>
  isNarrow.value ? numbered.value.slice(one.value, one.value + 1) : numbered.value,
)
const open = computed(() =>
  shown.value.map(({ place }) => place).filter((place) => isNarrow.value || !isFolded(place)),
)
/** Only cards with these words are shown; the line stays as it is. */
const words = ref('')
const holds = ({ conversation, task }: ListCard) =>
  `${conversation?.who ?? ''} ${conversation?.subject ?? ''} ${task?.title ?? ''}`
    .toLowerCase()
    .includes(words.value.trim().toLowerCase())
const cards = computed(() => open.value.flatMap((place) => place.cards).filter(holds))

const { current, currentId, selecting, selected, goTo, clicked, clear, meant } = useSelection(
  cards,
  'data-card',
  'stages',
)
const mail = computed(() => meant.value.flatMap(({ conversation }) => conversation ?? []))
const tasks = computed(() => meant.value.flatMap(({ task }) => task ?? []))
const onlyMail = computed(() => (tasks.value.length ? [] : mail.value))
const indexOf = (id: string | undefined) => cards.value.findIndex((card) => card.id === id)
const reach = (card: ListCard) => (current.value = indexOf(card.id))
const back = () => goTo(current.value)
const go = (by: number) => goTo(indexOf(beside(open.value, currentId.value, by) ?? currentId.value))

const move = (by: number) => attempt(() => along(meant.value.map(nameOf), by))
async function shift(by: 1 | -1): Promise<void> {
  const card = cards.value[current.value]
  const place = open.value.find((one) => one.cards.some(({ id }) => id === card?.id))
  const behind = card && place?.stage ? pastNext(place.cards, card.id, by) : undefined
  if (card && place?.stage && behind !== undefined) await put([nameOf(card)], place.stage.id, behind)
}
const put = (names: CardName[], stage: string | null, behind?: CardName | null) =>
  attempt(() => putAtStage(props.list.id, names, stage, behind))

/** What is dragged, as cards of this list. */
const held = ref<ListCard[]>([])
function drag(card: ListCard, event: DragEvent): void {
  held.value = selected.value.has(card.id) ? meant.value : [card]
  const rows = held.value.flatMap((one): ConversationRow[] => (one.conversation ? [one.conversation] : []))
  const those = held.value.flatMap((one): TaskRow[] => (one.task ? [one.task] : []))
  // The day rail and the lists take what is all of one kind.
  beginDrag(
    event,
    those.length === held.value.length ? { kind: 'task', tasks: those } : { kind: 'conversation', rows },
  )
}
function dropped(): void {
  held.value = []
  endDrag()
}
async function land(place: StageOfCards, at: number): Promise<void> {
  const moved = held.value
  dropped()
  if (!moved.length) return
  const ids = new Set(moved.map(({ id }) => id))
  await put(moved.map(nameOf), place.stage?.id ?? null, behindAt(place.cards, at, ids))
  clear()
}

const changing = ref(false)
const { keys: markKeys } = useMarkKeys(() => onlyMail.value, back)
const hasMeant = () => meant.value.length > 0
useKeys('Stages', [
  { key: 'ArrowRight', label: 'The card beside it', run: () => void go(1) },
  { key: 'ArrowLeft', label: 'The card beside it, to the left', run: () => void go(-1) },
  { key: 'ArrowDown', label: 'Next card', run: () => void goTo(current.value + 1) },
  { key: 'ArrowUp', label: 'Previous card', run: () => void goTo(current.value - 1) },
  { key: 'Home', label: 'First card', run: () => void goTo(0) },
  { key: 'End', label: 'Last card', run: () => void goTo(cards.value.length - 1) },
  { key: ALONG, label: 'To the next stage', when: hasMeant, run: () => void move(1) },
  { key: BACK, label: 'Back to the stage before', when: hasMeant, run: () => void move(-1) },
  { key: 'Ctrl+ArrowDown', label: 'Further down here', when: hasMeant, run: () => void shift(1) },
  { key: 'Ctrl+ArrowUp', label: 'Further up here', when: hasMeant, run: () => void shift(-1) },
  {
    key: ' ',
    label: 'Complete the task, or open it again',
    when: () => tasks.value.length > 0,
    run: () => tasks.value.forEach((task) => void check(task)),
  },
  { key: 'F2', label: 'Change the stages', opens: true, run: () => (changing.value = true) },
  // It moves tasks along, too, and so has the keys for that itself.
  ...markKeys.filter(({ key }) => key !== ALONG && key !== BACK),
  ...selecting,
])
const isTarget = computed(() => held.value.length > 0 && dragged.value !== null)
const left = computed(() => places.value.some(({ cards: some, total }) => total > some.length))
</script>

<template>
  <div class="stages">
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!list.stages.length" :title="`${list.name} has no stages yet`">
      Where its cases go through the same steps, say asked, offered, agreed: a letter or a task stands at one
      of them, and moves on.
      <template #actions
        ><v-btn variant="outlined" @click="changing = true">Name the stages <KeyCap name="F2" /></v-btn
      ></template>
    </EmptyState>
    <template v-else>
      <nav v-if="isNarrow" class="stops" aria-label="Stages">
        <PlainButton
          v-for="{ place, number } in numbered"
          :key="keyOf(place)"
          :aria-current="number === one || undefined"
          @click="one = number"
          >{{ place.stage?.name ?? 'Off the line' }} {{ place.total }}</PlainButton
        >
      </nav>
      <div class="bar">
        <span class="slate">{{
          selected.size ? `${selected.size} selected` : meant.length ? 'This one' : 'Choose a card'
        }}</span>
        <PlainButton class="move" :disabled="!meant.length" @click="move(-1)"
          ><KeyCap :name="BACK" />Back</PlainButton
        >
        <PlainButton class="move" :disabled="!meant.length" @click="move(1)"
          ><KeyCap :name="ALONG" />Along</PlainButton
        >
        <LinkButton v-if="selected.size" @click="clear">Select none</LinkButton>
        <TextInput
          v-model="words"
          class="words"
          type="search"
          placeholder="Words"
          aria-label="Only cards with"
        />
        <LinkButton class="change" @click="changing = true"
          ><KeyCap name="F2" /> Change the stages</LinkButton
        >
      </div>
      <!-- there from the first on: what is taken hold of does not move away -->
      <div
        v-if="cards.some(({ conversation }) => conversation)"
        class="decide"
        :class="{ idle: !onlyMail.length }"
      >
        <DecisionCards
          :rows="onlyMail"
          bar
          @decided="clear"
          @folded="back"
          @write="(wanted) => onlyMail[0] && writeFrom(onlyMail[0], wanted)"
        />
        <StampCards v-show="selected.size" bar :rows="onlyMail" @decided="clear" @folded="back">
          <MarkButtons :rows="onlyMail" @folded="back" />
        </StampCards>
      </div>
      <div class="line">
        <StageColumn
          v-for="{ place, number } in shown"
          :key="keyOf(place)"
          :place="words.trim() ? { ...place, cards: place.cards.filter(holds) } : place"
          :number="number"
          :folded="!isNarrow && isFolded(place)"
          :current-id="currentId"
          :selected="selected"
          :is-target="isTarget"
          @fold="fold(place)"
          @pick="(card, event) => clicked(indexOf(card.id), event.shiftKey)"
          @reach="reach"
          @check="(card) => card.task && check(card.task)"
          @drag="drag"
          @dropped="dropped"
          @land="(at) => land(place, at)"
        />
      </div>
      <p v-if="left" class="slate">
        <LinkButton v-if="most < 1000" @click="most = Math.min(1000, most * 3)"
          >Show more of each stage</LinkButton
        >
        <template v-else>The first 1,000 of each stage are shown.</template>
      </p>
    </template>
    <StagesDialog v-if="changing" :list="list" @close="changing = false" />
  </div>
</template>

<style scoped src="./stages.css"></style>
