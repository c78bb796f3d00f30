<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Said } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { subjectOf } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import ShareRail from '@/ui/ShareRail.vue'
import { ChoiceDot, PlainButton } from '@/ui/kit'
import { bandOf } from './bands'
import { useImportance } from './queries'
import { ABOUT, ADVISABLE, saidOf } from './said'
import { weighed } from './slip'
import { useImportanceSteps } from './steps'

/** How much a conversation matters, why, and what is wrong about that; one key says it, and it counts at once. */
const { data, error, refetch } = useImportance(() => weighed.value?.id ?? '')
const { correct } = useImportanceSteps()

const at = ref(0)
watch(weighed, () => (at.value = 0))
const choices = computed(() => data.value?.choices ?? [])
const chosen = computed(() => choices.value[at.value])
const close = () => (weighed.value = null)

async function tellThat(said: Said): Promise<void> {
  const [row, choice] = [weighed.value, chosen.value]
  if (!row || !choice) return
  if (await attempt(() => correct(row.id, choice.about, said))) close()
}

function turn(by: number): void {
  at.value = Math.max(0, Math.min(choices.value.length - 1, at.value + by))
}

/** What is pressed before the answer is there is done when it is. */
let pressed: (() => unknown)[] = []
const press = (run: () => unknown) => (chosen.value ? run() : void pressed.push(run))
watch(chosen, (there) => {
  if (!there) return
  for (const run of pressed) run()
  pressed = []
})
watch(weighed, () => (pressed = []))

const keys = [
  { key: 'ArrowUp', label: 'It matters more', run: () => press(() => tellThat({ matters: 1 })) },
  { key: 'ArrowDown', label: 'It matters less', run: () => press(() => tellThat({ matters: -1 })) },
  { key: 'ArrowRight', label: 'For other mail', run: () => press(() => turn(1)) },
  { key: 'ArrowLeft', label: 'For other mail', run: () => press(() => turn(-1)) },
  ...ADVISABLE.map(({ advised, key, text }) => ({
    key,
    label: `It should have been: ${text}`,
    run: () => press(() => tellThat({ should: advised })),
  })),
]
</script>

<template>
  <ModalDialog :open="!!weighed" name="How much does it matter?" max-width="560" :keys="keys" @close="close">
    <div v-if="weighed" class="sheet asking">
      <h2>How much does “{{ subjectOf(weighed) }}” matter?</h2>
      <FailedState v-if="error && !data" :error="error" @again="refetch()" />
      <LoadingRows v-else-if="!data" />
      <p v-else-if="data.score === null" class="slate">It has not been read by the program yet.</p>
      <template v-else>
        <p class="much">
          <strong>{{ bandOf(data.score) }}</strong>
          <ShareRail :share="data.score / 100" />
          <span class="slate">{{ data.score }} of 100</span>
        </p>
        <ul v-if="data.reasons.length" class="slate">
          <li v-for="reason in data.reasons" :key="reason">{{ reason }}</li>
        </ul>
        <p v-else class="slate">Nothing of it weighs much either way, and nothing like it was decided yet.</p>
        <fieldset>
          <legend>Not so? What you say counts for</legend>
          <label v-for="(choice, index) in choices" :key="choice.about">
            <ChoiceDot v-model="at" name="about" :value="index" />
            <span
              >{{ ABOUT[choice.about](choice.name) }}
              <span v-if="choice.said" class="slate">· you said: {{ saidOf(choice.said) }}</span></span
            >
          </label>
          <p class="slate"><KeyCap name="ArrowLeft" /> <KeyCap name="ArrowRight" /> choose another</p>
        </fieldset>
        <div class="answers">
          <PlainButton class="answer" @click="tellThat({ matters: 1 })"
            ><KeyCap name="ArrowUp" /> It matters more</PlainButton
          >
          <PlainButton class="answer" @click="tellThat({ matters: -1 })"
            ><KeyCap name="ArrowDown" /> It matters less</PlainButton
          >
        </div>
        <p class="slate lead">The advice was wrong. It should have been</p>
        <div class="answers">
          <PlainButton
            v-for="one in ADVISABLE"
            :key="one.advised"
            class="answer"
            :disabled="one.advised === data.advised"
            :title="one.advised === data.advised ? 'This is what is advised' : undefined"
            @click="tellThat({ should: one.advised })"
            ><KeyCap :name="one.key" /> {{ one.text }}</PlainButton
          >
        </div>
      </template>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
.much {
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 0 0 10px;
}

ul {
  list-style: disc;
  margin: 0 0 16px;
  padding-left: 18px;
}

fieldset {
  display: grid;
  gap: 4px;
  margin: 0 0 16px;
  padding: 0;
  border: 0;
}

legend {
  padding: 0;
  margin-bottom: 4px;
  font-weight: 600;
}

label {
  display: flex;
  gap: 10px;
  align-items: baseline;
  overflow-wrap: anywhere;
}

fieldset p,
.lead {
  margin: 4px 0 8px;
  font-size: var(--type-note);
}

.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 12px;
}

.answer {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  padding: 6px 12px 6px 7px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

.answer:hover {
  background: var(--v-sea-soft);
}

.answer:disabled {
  opacity: 0.5;
}
</style>
