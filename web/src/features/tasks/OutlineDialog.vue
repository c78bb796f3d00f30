<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref, toRef } from 'vue'
import { answer, api, type Outline, type TaskFields } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import KeptNote from '@/ui/KeptNote.vue'
import { useTyped } from '@/shared/typing/kept'
import ModalDialog from '@/ui/ModalDialog.vue'
import { tell } from '@/shared/notice'
import OutlineTree from './OutlineTree.vue'
import { counted } from '@/shared/words'

/** A written list becomes tasks and subtasks, after a look at what they would be. */
const props = defineProps<{
  /** The task under which they go; without one they stand by themselves */
  title?: string
  text?: string
  /** Where they go, said beside the heading */
  into?: string
  save: (fields: Pick<TaskFields, 'title'>, tasks: Outline[]) => Promise<unknown>
  /** Where what is typed is kept */
  place: string
}>()
const emit = defineEmits<{ close: [] }>()

const typed = reactive({ title: props.title ?? '', text: props.text ?? '' })
const { keptAt, accept, anew } = useTyped(props.place, typed)
const settled = refDebounced(toRef(typed, 'text'), 150)
const busy = ref(false)
const {
  data,
  error,
  isFetching: reading,
} = useQuery({
  queryKey: ['outline', settled],
  queryFn: ({ signal }) => answer(api.POST('/outlines', { signal, body: { text: settled.value } })),
  enabled: () => settled.value.trim() !== '',
  retry: false,
  staleTime: Infinity,
})
const outlines = computed(() => (settled.value.trim() === '' || error.value ? [] : (data.value ?? [])))
const count = (some: Outline[]): number => some.reduce((sum, one) => sum + 1 + count(one.under ?? []), 0)
const total = computed(() => count(outlines.value))

async function submit(): Promise<void> {
  if (!total.value) return
  busy.value = true
  try {
    if ((await props.save({ title: typed.title }, outlines.value)) === false) return
    accept()
    emit('close')
  } catch (problem) {
    tell(problem)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ModalDialog open max-width="880" name="Tasks of a list" @close="emit('close')">
    <form class="sheet outline" @submit.prevent="submit" @keydown.ctrl.enter="submit">
      <h2>
        {{ props.title === undefined ? 'Paste a list' : 'Its list as tasks' }}
        <small v-if="into">{{ into }}</small>
      </h2>
      <KeptNote :at="keptAt" @anew="anew" />
      <v-text-field
        v-if="props.title !== undefined"
        v-model="typed.title"
        label="Under the task"
        placeholder="each line a task of its own"
        persistent-placeholder
        hide-details
      />
      <div class="halves">
        <v-textarea
          v-model="typed.text"
          v-first
          label="One line for each task"
          placeholder="- numbers, bullets and check boxes fall away&#10;  - what is indented lies under the line above"
          persistent-placeholder
          rows="11"
          no-resize
          hide-details
        />
        <div class="preview" aria-live="polite">
          <p v-if="error" class="wrong" role="alert">
            {{ error instanceof Problem ? error.message : 'That could not be read.' }}
          </p>
          <p v-else-if="!total" class="slate">
            {{ reading ? 'Reading …' : 'What becomes of it is shown here.' }}
          </p>
          <OutlineTree v-else :outlines="outlines" />
        </div>
      </div>
      <div class="actions">
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" color="primary" :disabled="!total" :loading="busy">
          {{
            props.title === undefined
              ? `Make ${counted(total, 'task')}`
              : `Make it with ${counted(total, 'subtask')}`
          }}
        </v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped>
.outline {
  display: grid;
  gap: 14px;
  padding: 22px 26px;
}

h2 {
  margin: 0;
  font-size: var(--type-lead);
}

h2 small {
  margin-left: 8px;
  font-weight: 400;
  font-size: var(--type-text);
  color: var(--v-slate);
}

.halves {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 18px;
}

.preview {
  max-height: 318px;
  overflow: auto;
  padding: 6px 10px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

.wrong {
  color: rgb(var(--v-theme-error));
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}

@media (max-width: 640px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
