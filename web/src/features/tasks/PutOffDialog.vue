<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { newId, type Due, type PutOff, type When } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { plain, toWhen, type Written } from '@/shared/api/when'
import { dueText } from '@/shared/time/due'
import ModalDialog from '@/ui/ModalDialog.vue'
import { tell } from '@/shared/notice'
import PresetList from '@/ui/PresetList.vue'
import { isSame, puttingOff, stopPuttingOff, type What } from './putOff'
import WhenField from '@/ui/WhenField.vue'
import { counted } from '@/shared/words'
import { usePutOffPreview } from './queries'
import { useTaskSteps } from './steps'
import { ChoiceDot } from '@/ui/kit'

/** Until when tasks are put off, what of them is moved, and what that changes. */
const SHOWN = 6
const PREVIEW = newId()
const WHATS: { value: What | ''; text: string }[] = [
  { value: '', text: 'what suits each' },
  { value: 'start', text: 'its start' },
  { value: 'due', text: 'its due' },
  { value: 'both', text: 'both' },
]

const dueOrNone = (due: Due | null) => (due ? dueText(due) : 'none')

const { putOffTasks } = useTaskSteps()
const until = ref<Written>({ phrase: '', reading: null })
const what = ref<What | ''>('')
const wrong = ref('')
const submit = ref<{ $el: HTMLElement }>()
const field = ref<InstanceType<typeof WhenField>>()
const to = computed(() => toWhen(until.value))
const tasks = computed(() => puttingOff.value?.tasks ?? [])

watch(puttingOff, () => {
  until.value = { phrase: '', reading: null }
  what.value = ''
  wrong.value = ''
})

/** Asked only for what has been read, so that half a word is no fault. */
const asked = computed<PutOff | null>(() =>
  puttingOff.value && to.value && 'date' in to.value
    ? {
        entry: PREVIEW,
        tasks: tasks.value.slice(0, SHOWN).map(({ id }) => id),
        to: to.value,
        what: what.value || null,
      }
    : null,
)
const { data, error } = usePutOffPreview(asked)
const differences = computed(() => (asked.value ? (data.value ?? []) : []))

/** What a preset would change is looked at before it is done. */
async function choose(when: When): Promise<void> {
  until.value = { phrase: 'date' in when ? plain(when) : when.phrase, reading: null }
  await nextTick()
  submit.value?.$el.focus()
}

async function go(when: When | null): Promise<void> {
  if (!when || !puttingOff.value) {
    wrong.value = 'Until when?'
    return
  }
  try {
    const { done } = puttingOff.value
    await putOffTasks(
      tasks.value.map(({ id }) => id),
      when,
      what.value || null,
    )
    stopPuttingOff()
    done?.()
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = problem.fields.to ?? problem.message
    else tell(problem)
  }
}
</script>

<template>
  <ModalDialog :open="!!puttingOff" name="Put off" @close="stopPuttingOff()">
    <div v-if="puttingOff" class="sheet asking">
      <h2>Put off: {{ tasks.length === 1 ? `“${tasks[0]?.title}”` : counted(tasks.length, 'task') }}</h2>
      <PresetList title="Put off" @choose="choose" @write="field?.focus()" />
      <form novalidate @submit.prevent="go(to)">
        <WhenField
          ref="field"
          v-model="until"
          label="Or until"
          placeholder="friday, in 2 weeks …"
          bare
          keyed="0"
          :error="wrong || (asked && error instanceof Problem ? error.message : '')"
        />
        <fieldset>
          <legend class="slate">Moves</legend>
          <label v-for="one in WHATS" :key="one.value">
            <ChoiceDot v-model="what" name="what" :value="one.value" /> {{ one.text }}
          </label>
        </fieldset>
        <table v-if="differences.length" aria-live="polite">
          <thead>
            <tr>
              <th v-if="tasks.length > 1">Task</th>
              <th>Start</th>
              <th>Due</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in differences" :key="one.id">
              <td v-if="tasks.length > 1" class="title">{{ one.title }}</td>
              <td v-if="one.problem" class="problem" colspan="2">{{ one.problem }}</td>
              <template v-else>
                <td v-for="change in [one.start, one.due]" :key="JSON.stringify(change)">
                  <template v-if="isSame(change.before, change.after)">{{
                    dueOrNone(change.after)
                  }}</template>
                  <template v-else
                    ><s class="slate">{{ dueOrNone(change.before) }}</s
                    ><b>{{ dueOrNone(change.after) }}</b></template
                  >
                </td>
              </template>
            </tr>
          </tbody>
        </table>
        <p v-if="differences.length && tasks.length > SHOWN" class="slate">
          and {{ tasks.length - SHOWN }} more
        </p>
        <div class="actions">
          <v-btn ref="submit" type="submit" color="primary">Put off</v-btn>
          <v-btn variant="text" @click="stopPuttingOff()">Cancel</v-btn>
        </div>
      </form>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 12px;
  margin-top: 12px;
}

td b {
  margin-left: 6px;
}

fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  float: left;
  margin-right: 4px;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: var(--type-note);
}

th {
  font-weight: 600;
  color: var(--v-slate);
  text-align: left;
}

th,
td {
  padding: 4px 10px 4px 0;
  vertical-align: top;
}

.title {
  overflow-wrap: anywhere;
}

.problem {
  color: rgb(var(--v-theme-error));
}

p {
  margin: 0;
}
</style>
