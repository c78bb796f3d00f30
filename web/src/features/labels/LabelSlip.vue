<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useKeeping } from '@/shared/typing/keeping'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LabelWord from '@/ui/LabelWord.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { PlainButton, TextInput } from '@/ui/kit'
import { choicesOf, type LabelChoice } from './choices'
import { useLabels } from './queries'
import { bearer, typed } from './slip'

/** Labels are put on mail or tasks, and taken off: one by typing and Enter, several by the mouse. */
const { data: labels, error, refetch } = useLabels()

const at = ref(0)
/** What was put on and taken off since it opened, before the rows that it was opened with know of it. */
const turned = ref(new Map<string, boolean>())
const choices = computed(() => choicesOf(labels.value ?? [], typed.value, bearer.value?.borne ?? []))
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
    if (choice) await bearer.value?.put(isOn(choice) ? [] : [choice.name], isOn(choice) ? [choice.name] : [])
  },
  () => {
    if (choice) turned.value.set(choice.name, !isOn(choice))
    typed.value = ''
    if (isLast) close()
  },
)
/** @param last that was all */
function turn(one: LabelChoice | undefined, last = false): void {
  if (!one) return
  choice = one
  isLast = last
  void keep()
}

const step = (by: number) => (at.value = Math.max(0, Math.min(choices.value.length - 1, at.value + by)))
</script>

<template>
  <ModalDialog :open="!!bearer" name="Labels" max-width="420" @close="close">
    <div v-if="bearer" class="sheet asking">
      <h2>Label {{ bearer.what }}</h2>
      <FailedState v-if="error && !labels" :error="error" @again="refetch()" />
      <LoadingRows v-else-if="!labels" />
      <template v-else>
        <label class="word">
          <TextInput
            v-model="typed"
            v-first
            maxlength="60"
            placeholder="Which label? A new word makes one"
            aria-label="Which label?"
            aria-controls="label-choices"
            @keydown.down.prevent="step(1)"
            @keydown.up.prevent="step(-1)"
            @keydown.enter.prevent="turn(choices[at], true)"
          />
        </label>
        <p v-if="wrong.labels" class="wrong" role="alert">{{ wrong.labels }}</p>
        <ul id="label-choices" aria-label="Labels">
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
              <LabelWord v-if="one.label" :label="one.label" />
              <span v-else>Make “{{ one.name }}”</span>
              <span v-if="one.label?.untilDealt" class="slate note">until dealt with</span>
            </PlainButton>
          </li>
        </ul>
        <p v-if="!choices.length" class="slate">There are no labels yet. Type a short word to make one.</p>
        <p class="slate foot">
          <KeyCap name="ArrowUp" /> <KeyCap name="ArrowDown" /> choose · <KeyCap name="Enter" /> puts it on or
          takes it off · a click does, and stays here
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

.choice-row :deep(.label-word) {
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
