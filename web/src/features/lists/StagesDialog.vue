<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiClose } from '@mdi/js'
import { nextTick, reactive, ref } from 'vue'
import { newId, type Stage, type TaskList } from '@/shared/api/client'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { ChoiceList, LinkButton, PlainButton, TextInput } from '@/ui/kit'
import { useListCardSteps } from './steps'

/** The stages that the cases of a list go through are named, put in order, and said to go on by themselves. */
const props = defineProps<{ list: TaskList }>()
const emit = defineEmits<{ close: [] }>()

const MOST = 12
const ONWARDS: { value: NonNullable<Stage['onwards']>; text: string }[] = [
  { value: 'answered', text: 'after you answer' },
  { value: 'handed_over', text: 'after you hand it over' },
  { value: 'made_task', text: 'after you make it a task' },
  { value: 'done', text: 'after it is archived, or done' },
]
interface Row {
  id: string
  name: string
  days: string
  onwards: NonNullable<Stage['onwards']> | ''
}
const { changeStages } = useListCardSteps()
const rowOf = ({ id, name, days, onwards }: Stage): Row => ({
  id,
  name,
  days: String(days ?? ''),
  onwards: onwards ?? '',
})
const fresh = (): Row => ({ id: newId(), name: '', days: '', onwards: '' })
const were = props.list.stages.map(({ id }) => id)
const fields = reactive({ rows: were.length ? props.list.stages.map(rowOf) : [fresh(), fresh(), fresh()] })
const { keptAt, accept, anew } = useTyped(`stages:${props.list.id}`, fields)
const form = ref<HTMLFormElement>()

const { wrong, busy, keep } = useKeeping(
  'stages',
  () =>
    changeStages(
      props.list.id,
      fields.rows
        .filter(({ name }) => name.trim())
        .map(({ id, name, days, onwards }) => ({
          id,
          name,
          ...(days.trim() ? { days: Number.parseInt(days, 10) || 0 } : {}),
          ...(onwards ? { onwards } : {}),
        })),
      were,
    ),
  () => {
    accept()
    emit('close')
  },
)

async function focus(at: number): Promise<void> {
  await nextTick()
  form.value?.querySelectorAll<HTMLInputElement>('.name input, input.name')[at]?.focus()
}
function add(): void {
  fields.rows.push(fresh())
  void focus(fields.rows.length - 1)
}
function move(at: number, by: number): void {
  const [row] = fields.rows.splice(at, 1)
  if (row) fields.rows.splice(Math.max(0, at + by), 0, row)
  void focus(Math.max(0, at + by))
}
</script>

<template>
  <ModalDialog open max-width="720" :name="`The stages of ${list.name}`" @close="emit('close')">
    <form ref="form" class="sheet asking" novalidate @submit.prevent="keep">
      <h2>The stages of {{ list.name }}</h2>
      <p class="slate">
        Its letters and tasks stand at one of them and move on, by hand or by what you do. What stands
        somewhere longer than its days comes up.
      </p>
      <KeptNote :at="keptAt" @anew="anew" />
      <ol>
        <li v-for="(row, at) in fields.rows" :key="row.id">
          <span class="stop" aria-hidden="true">{{ at + 1 }}</span>
          <TextInput
            v-model="row.name"
            v-first="at === 0"
            class="name"
            maxlength="40"
            :aria-label="`Name of stage ${at + 1}`"
            placeholder="Name"
            @keydown.ctrl.up.prevent="move(at, -1)"
            @keydown.ctrl.down.prevent="move(at, 1)"
          />
          <label class="days">
            <span class="sr-only">Days at most at stage {{ at + 1 }}</span>
            <TextInput v-model="row.days" inputmode="numeric" maxlength="3" placeholder="–" /> days
          </label>
          <ChoiceList v-model="row.onwards" :aria-label="`When stage ${at + 1} is left by itself`">
            <option value="">moved on by hand</option>
            <option v-for="one in ONWARDS" :key="one.value" :value="one.value">{{ one.text }}</option>
          </ChoiceList>
          <PlainButton :disabled="at === 0" :aria-label="`Stage ${at + 1} further up`" @click="move(at, -1)">
            <v-icon :icon="mdiArrowUp" size="17" />
          </PlainButton>
          <PlainButton
            :disabled="at === fields.rows.length - 1"
            :aria-label="`Stage ${at + 1} further down`"
            @click="move(at, 1)"
          >
            <v-icon :icon="mdiArrowDown" size="17" />
          </PlainButton>
          <PlainButton :aria-label="`Leave out stage ${at + 1}`" @click="fields.rows.splice(at, 1)">
            <v-icon :icon="mdiClose" size="17" />
          </PlainButton>
        </li>
      </ol>
      <LinkButton v-if="fields.rows.length < MOST" @click="add">One more stage</LinkButton>
      <p v-if="wrong.stages" class="wrong" role="alert">{{ wrong.stages }}</p>
      <p class="slate note">What stands at a stage that is left out stays in the list, off the line.</p>
      <div class="actions">
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" color="primary" :loading="busy">Save the stages</v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
ol {
  display: grid;
  gap: 8px;
  margin: 12px 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) 92px 210px 22px 22px 22px;
  gap: 8px;
  align-items: center;
}

.stop {
  display: grid;
  place-items: center;
  width: 22px;
  height: 22px;
  font-size: var(--type-small);
  font-weight: 600;
  border: 3px solid rgb(var(--v-theme-primary));
  border-radius: 50%;
}

input {
  min-width: 0;
  padding: 5px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 6px;
}

.days {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: var(--type-note);
}

.days input {
  width: 44px;
}

li button:disabled {
  opacity: 0.3;
}

.wrong {
  color: rgb(var(--v-theme-error));
}

.note {
  font-size: var(--type-note);
}

.actions {
  justify-content: flex-end;
}

@media (max-width: 760px) {
  li {
    grid-template-columns: 24px minmax(0, 1fr) 22px 22px 22px;
  }

  .days {
    grid-column: 2;
  }

  select {
    grid-column: 3 / -1;
    min-width: 0;
  }
}
</style>
