<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useLists } from '@/shared/api/lists'
import { useKeeping } from '@/shared/typing/keeping'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LabelWord from '@/ui/LabelWord.vue'
import ListWord from '@/ui/ListWord.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { PlainButton, TextInput } from '@/ui/kit'
import { choicesOf, type Choosable, type LabelChoice } from './choices'
import { useLabels } from './queries'
import { bearer, typed } from './slip'

/** Labels are put on mail or tasks, mail into lists, and off and out again: one by typing and Enter, several by the mouse. */
const ofLabels = useLabels()
const ofLists = useLists()
const isList = computed(() => bearer.value?.kind !== undefined)
const error = computed(() => (isList.value ? ofLists.error.value : ofLabels.error.value))
const labels = computed<Choosable[] | undefined>(() =>
  isList.value ? ofLists.data.value?.filter(({ archived }) => !archived) : ofLabels.data.value,
)
const refetch = () => (isList.value ? ofLists.refetch() : ofLabels.refetch())
const WORDS = {
  label: {
    name: 'Labels',
    asks: (what: string) => `Label ${what}`,
    turns: 'puts it on or takes it off',
    hint: 'Which label? A new word makes one',
    none: 'There are no labels yet. Type a short word to make one.',
  },
  list: {
    name: 'Lists',
    asks: (what: string) => `Put ${what} into a list`,
    turns: 'puts it in or takes it out',
    hint: 'Which list?',
    none: 'No list is called so. Lists are made in Tasks, by list.',
  },
  'look-up': {
    name: 'Lists',
    asks: (what: string) => `To look up: ${what}`,
    turns: 'keeps it there',
    hint: 'In which list?',
    none: 'No list is called so. Lists are made in Tasks, by list.',
  },
}
const words = computed(() => WORDS[bearer.value?.kind ?? 'label'])

const at = ref(0)
/** What was put on and taken off since it opened, before the rows that it was opened with know of it. */
const turned = ref(new Map<string, boolean>())
const choices = computed(() =>
  choicesOf(labels.value ?? [], typed.value, bearer.value?.borne ?? [], !isList.value),
)
const isOn = (choice: LabelChoice) => turned.value.get(choice.name) ?? choice.on === 'all'
watch(typed, () => (at.value = 0))
watch(bearer, (now) => {
  at.value = 0
  wrong.value = {}
  if (now) turned.value = new Map()
})

function close(): void {
  const closed = bearer.value?.closed
  bearer.value = null
  closed?.()
}

let choice: LabelChoice | undefined
let isLast = false
const { wrong, keep } = useKeeping(
  'labels',
  async () => {
    if (!choice) return
    const one = isList.value ? (choice.label?.id ?? '') : choice.name
    await bearer.value?.put(isOn(choice) ? [] : [one], isOn(choice) ? [one] : [])
  },
  () => {
    if (choice) turned.value.set(choice.name, !isOn(choice))
    typed.value = ''
    if (isLast) close()
  },
)
/** One after the other: a click while another is on its way is not lost. */
let before = Promise.resolve()
/** @param last that was all */
function turn(one: LabelChoice | undefined, last = false): void {
  if (!one) return
  before = before.then(async () => {
    choice = one
    isLast = last
    await keep()
  })
}

const step = (by: number) => (at.value = Math.max(0, Math.min(choices.value.length - 1, at.value + by)))
</script>

<template>
  <ModalDialog :open="!!bearer" name="Labels and lists" max-width="420" @close="close">
    <div v-if="bearer" class="sheet asking">
      <h2>{{ words.asks(bearer.what) }}</h2>
      <FailedState v-if="error && !labels" :error="error" @again="refetch()" />
      <LoadingRows v-else-if="!labels" />
      <template v-else>
        <label class="word">
          <TextInput
            v-model="typed"
            v-first
            maxlength="60"
            :placeholder="words.hint"
            :aria-label="words.hint.split('?')[0] + '?'"
            aria-controls="label-choices"
            @keydown.down.prevent="step(1)"
            @keydown.up.prevent="step(-1)"
            @keydown.enter.prevent="turn(choices[at], true)"
          />
        </label>
        <p v-if="wrong.labels ?? wrong.into" class="wrong" role="alert">{{ wrong.labels ?? wrong.into }}</p>
        <ul id="label-choices" :aria-label="words.name">
          <li v-for="(one, index) in choices" :key="one.name + (one.label ? '' : ' new')">
            <PlainButton
              class="choice-row"
              :class="{ at: index === at }"
              :aria-pressed="one.on === 'some' && !turned.has(one.name) ? 'mixed' : isOn(one)"
              tabindex="-1"
              @click="turn(one)"
            >
              <span class="tickmark" aria-hidden="true">{{
                isOn(one) ? '✓' : one.on === 'some' && !turned.has(one.name) ? '–' : ''
              }}</span>
              <ListWord v-if="one.label && isList" :list="one.label" />
              <LabelWord v-else-if="one.label" :label="one.label" />
              <span v-else>Make “{{ one.name }}”</span>
              <span v-if="one.label?.untilDealt" class="slate note">until dealt with</span>
            </PlainButton>
          </li>
        </ul>
        <p v-if="!choices.length" class="slate">{{ words.none }}</p>
        <p class="slate foot">
          <KeyCap name="ArrowUp" /> <KeyCap name="ArrowDown" /> choose · <KeyCap name="Enter" />
          {{ words.turns }} · a click does, and stays here
        </p>
      </template>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
.word input {
  width: 100%;
  padding: 8px 11px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

ul {
  max-height: 300px;
  margin: 10px -8px;
  overflow-y: auto;
}

.choice-row {
  display: flex;
  align-items: center;
  gap: 10px;
  width: 100%;
  padding: 5px 8px;
  text-align: left;
  border-radius: 7px;
}

.choice-row.at,
.choice-row:hover {
  background: var(--v-sea-soft);
}

.choice-row :deep(:is(.label-word, .list-word)) {
  max-width: 30ch;
  font-size: var(--type-text);
  line-height: 22px;
}

.tickmark {
  width: 14px;
  font-weight: 700;
  color: rgb(var(--v-theme-primary));
}

.note {
  margin-left: auto;
}

.note,
.foot {
  font-size: var(--type-note);
}

.wrong {
  margin: 8px 0 0;
  color: rgb(var(--v-theme-error));
}
</style>
