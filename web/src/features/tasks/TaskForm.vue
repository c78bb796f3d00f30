<script setup lang="ts">
import { computed, nextTick, onMounted, reactive, ref } from 'vue'
import { watchDebounced } from '@vueuse/core'
import type { TaskFields } from '@/shared/api/client'
import { firstReminderOf } from '@/shared/api/when'
import { Problem } from '@/shared/api/problem'
import { copyOf, fieldsOf, type TaskDraft } from './draft'
import { escape } from '@/shared/keys/registry'
import KeptNote from '@/ui/KeptNote.vue'
import { useTyped } from '@/shared/typing/kept'
import FileDrop from '@/ui/FileDrop.vue'
import { tell } from '@/shared/notice'
import { offerList } from './paste'
import ReminderField from '@/ui/ReminderField.vue'
import SourceField from './SourceField.vue'
import TaskExtras from './TaskExtras.vue'
import WhenField from '@/ui/WhenField.vue'
import { counted } from '@/shared/words'
import { useLists } from '@/shared/api/lists'
import { LinkButton, TextInput } from '@/ui/kit'

/** All that a person fills in of a task; on a card only what matters there, the rest one step away. */
const props = defineProps<{
  initial: TaskDraft
  submitText: string
  /** Does what the form is for; when it throws, the form stays as it is and says why */
  save: (fields: TaskFields, draft: TaskDraft) => Promise<unknown>
  /** The title is not asked for: several tasks, each with its own subject */
  titleless?: boolean
  /** The title does not take the focus by itself */
  still?: boolean
  /** On a card: the rest only when it is asked for */
  compact?: boolean
  /** The words that the due comes from */
  quote?: string | undefined
  /** Where what is typed is kept */
  place?: string
  /** What it is a change of, for the merging */
  base?: unknown
}>()
defineEmits<{ cancel: [] }>()

const draft = reactive<TaskDraft>(copyOf(props.initial))
const { keptAt, accept, anew } = useTyped(props.place, draft, props.base)
const wrong = ref<Record<string, string>>({})
const busy = ref(false)
const unfolded = ref(!props.compact)
const titleField = ref<{ $el: HTMLElement }>()

const { data: lists } = useLists()
const listNames = computed(() =>
  (lists.value ?? []).filter(({ archived }) => !archived).map(({ name }) => name),
)
const anchors = computed(() => ({ start: draft.start.phrase, due: draft.due.phrase }))
const noted = computed(() => {
  const lines = draft.notes.split('\n').filter(Boolean).length
  return lines ? `More, and ${counted(lines, 'line')} of notes` : 'More'
})

/** The reminder that was proposed goes with the due, as long as nobody has changed it. */
let proposed = props.quote === undefined ? '' : (props.initial.reminders[0] ?? '')
watchDebounced(
  () => draft.due.phrase,
  async (phrase) => {
    const before = proposed
    if (!before || !draft.reminders.includes(before)) return
    const next = await firstReminderOf(phrase).catch(() => before)
    if (draft.due.phrase !== phrase || next === before) return
    proposed = next
    draft.reminders = draft.reminders.flatMap((one) => (one !== before ? [one] : next ? [next] : []))
  },
  { debounce: 200 },
)

function focus(): void {
  const field = titleField.value?.$el.querySelector('input')
  field?.focus({ preventScroll: true })
  field?.select()
}

onMounted(async () => {
  await nextTick()
  if (!props.still) focus()
})

async function submit(): Promise<void> {
  if (!props.titleless && !draft.title.trim()) {
    wrong.value = { title: 'A task needs a title: what is to be done?' }
    return
  }
  busy.value = true
  wrong.value = {}
  try {
    if ((await props.save(fieldsOf(draft), copyOf(draft))) !== false) accept()
  } catch (problem) {
    if (problem instanceof Problem && Object.keys(problem.fields).length) {
      wrong.value = problem.fields
      unfolded.value = true
    } else tell(problem)
  } finally {
    busy.value = false
  }
}

const drop = ref<InstanceType<typeof FileDrop>>()
async function pasted(event: ClipboardEvent): Promise<void> {
  if (!event.clipboardData?.files.length) return
  if (!unfolded.value) {
    event.preventDefault()
    await take([...event.clipboardData.files])
  } else drop.value?.pasted(event)
}
const take = async (files: File[]): Promise<void> => {
  unfolded.value = true
  await nextTick()
  await drop.value?.take(files)
}
defineExpose({ focus, submit, take })
</script>

<template>
  <form
    class="form"
    novalidate
    @submit.prevent="submit"
    @keydown.esc="escape($event, () => $emit('cancel'))"
    @keydown.ctrl.enter="submit"
    @paste="pasted"
  >
    <KeptNote :at="keptAt" @anew="anew" />
    <v-text-field
      v-if="!titleless"
      ref="titleField"
      v-model="draft.title"
      label="What is to be done?"
      :error-messages="wrong.title"
      maxlength="400"
      hide-details="auto"
      @paste="offerList($event, draft.list ? { list: draft.list } : {})"
    />
    <div class="due">
      <WhenField v-model="draft.due" label="Due" :error="wrong.due" :quiet="still" />
      <p v-if="quote && draft.due.phrase === initial.due.phrase" class="quote slate">from “{{ quote }}”</p>
    </div>
    <ReminderField v-model="draft.reminders" :anchors="anchors" :error="wrong.reminders" :folded="compact" />
    <v-combobox
      v-if="unfolded"
      v-model="draft.list"
      :items="listNames"
      label="List"
      placeholder="Tasks"
      persistent-placeholder
      :error-messages="wrong.list"
      hide-no-data
      hide-details="auto"
    />
    <template v-if="unfolded">
      <TaskExtras :draft="draft" :wrong="wrong" />
      <v-textarea
        v-model="draft.notes"
        label="Notes (Markdown)"
        rows="2"
        auto-grow
        max-rows="12"
        :error-messages="wrong.notes"
        hide-details="auto"
      />
      <SourceField v-model="draft.sources" :error="wrong.sources" />
      <FileDrop ref="drop" v-model="draft.files" :error="wrong.files" />
    </template>
    <slot />
    <div class="actions">
      <template v-if="!unfolded">
        <TextInput
          v-model="draft.list"
          class="list"
          list="lists"
          placeholder="List: Tasks"
          aria-label="List"
          maxlength="90"
        />
        <datalist id="lists">
          <option v-for="name in listNames" :key="name" :value="name" />
        </datalist>
        <LinkButton @click="unfolded = true">{{ noted }}</LinkButton>
      </template>
      <v-btn v-if="!still" variant="text" title="Esc; what is typed stays" @click="$emit('cancel')">{{
        keptAt ? 'Fold' : 'Cancel'
      }}</v-btn>
      <v-btn type="submit" color="primary" :loading="busy">{{ submitText }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}

.due {
  min-width: 0;
}

.quote {
  margin: 2px 0 0 2px !important;
  font-size: var(--type-small);
}

.actions {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 8px;
}

.actions .link {
  margin-right: auto;
}

.list {
  width: 124px;
  padding: 5px 8px;
  font: inherit;
  font-size: var(--type-note);
  color: inherit;
  background: none;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

.list::placeholder {
  color: var(--v-slate);
  opacity: 1;
}
</style>
