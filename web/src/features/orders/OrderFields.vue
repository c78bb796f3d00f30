<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { onScopeDispose, reactive, ref, watch } from 'vue'
import { draftOf, stepOf, StepsEditor } from '@/features/stamps'
import { Problem } from '@/shared/api/problem'
import { attempt, tell } from '@/shared/notice'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import { ChoiceDot, TickBox } from '@/ui/kit'
import { conditionOf, grouped } from './conditions'
import ConditionFields from './ConditionFields.vue'
import type { Giving } from './giving'
import { useOrderSteps } from './steps'
import { useTrial } from './trial'
import TrialResult from './TrialResult.vue'

const props = defineProps<{ giving: Giving }>()
const emit = defineEmits<{ close: [] }>()

const { keepOrder, deleteOrder } = useOrderSteps()
const fields = reactive({
  name: props.giving.name,
  condition: grouped(props.giving.condition),
  steps: props.giving.steps.map(draftOf),
  on: props.giving.on,
  last: props.giving.last,
  urgent: props.giving.urgent,
})
const { keptAt, accept, anew } = useTyped(
  `order:${props.giving.isNew ? (props.giving.choices.length ? 'proposed' : 'new') : props.giving.id}`,
  fields,
)
const { wrong, busy, keep } = useKeeping(
  'steps',
  () =>
    keepOrder(props.giving.id, {
      ...fields,
      condition: conditionOf(fields.condition),
      steps: fields.steps.map(stepOf),
    }),
  () => {
    accept()
    emit('close')
  },
)
async function remove(): Promise<void> {
  if (!(await attempt(() => deleteOrder(props.giving.id)))) return
  accept()
  emit('close')
}

const chosen = ref(0)
watch(chosen, (at) => {
  const choice = props.giving.choices[at]
  if (!choice) return
  fields.condition = grouped(choice.condition)
  fields.name = choice.name
})

/** As soon as the condition makes sense, it is told which mail it would have meant. */
const trial = useTrial()
const unsound = ref('')
const look = useDebounceFn(async () => {
  try {
    unsound.value = ''
    await trial.look(conditionOf(fields.condition), fields.steps.map(stepOf))
  } catch (problem) {
    trial.stop()
    if (problem instanceof Problem && problem.status === 422) unsound.value = problem.message
    else tell(problem)
  }
}, 500)
watch(() => [fields.condition, fields.steps], look, { deep: true, immediate: true })
onScopeDispose(trial.stop)
</script>

<template>
  <div class="sheet asking">
    <h2>{{ giving.isNew ? 'A standing order' : 'Change the standing order' }}</h2>
    <KeptNote :at="keptAt" @anew="anew" />
    <form novalidate @submit.prevent="keep" @keydown.ctrl.enter.prevent="keep">
      <fieldset v-if="giving.choices.length">
        <legend>Always do this with mail</legend>
        <label v-for="(choice, index) in giving.choices" :key="choice.text">
          <ChoiceDot v-model="chosen" name="meant" :value="index" /> {{ choice.text }}
        </label>
      </fieldset>
      <v-text-field
        v-model="fields.name"
        v-first
        label="What it is called"
        maxlength="100"
        hide-details="auto"
        :error-messages="wrong.name"
      />
      <ConditionFields :group="fields.condition" :depth="1" />
      <p v-if="wrong.condition" class="wrong" role="alert">{{ wrong.condition }}</p>
      <TrialResult :trial="trial" :unsound="unsound" />
      <h3>What is done with it</h3>
      <p v-for="sentence in giving.left" :key="sentence" class="slate">{{ sentence }}</p>
      <StepsEditor :steps="fields.steps" :wrong="wrong.steps" />
      <div class="ticks">
        <label><TickBox v-model="fields.on" /> It is in force</label>
        <label><TickBox v-model="fields.last" /> Orders behind it are not looked at any more</label>
        <label><TickBox v-model="fields.urgent" /> Such mail is urgent</label>
      </div>
      <div class="actions">
        <v-btn type="submit" color="primary" :loading="busy">Keep it</v-btn>
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn v-if="!giving.isNew" class="delete" variant="text" @click="remove">Delete</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 12px;
}

fieldset,
.ticks {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  border: 0;
}

legend,
h3 {
  margin: 0;
  padding: 0;
  font-size: var(--type-text);
  font-weight: 600;
}

p {
  margin: 0;
}

.wrong {
  color: rgb(var(--v-theme-error));
}

.delete {
  margin-left: auto;
}
</style>
