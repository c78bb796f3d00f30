<script setup lang="ts">
import { ref } from 'vue'
import type { Colour, TaskList } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import ColourChoice from '@/ui/ColourChoice.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { tell } from '@/shared/notice'
import { counted } from '@/shared/words'
import { useListSteps } from './listSteps'
import { ChoiceList } from '@/ui/kit'

/** A list is made, renamed, coloured, archived or deleted. */
const props = defineProps<{ list: TaskList | null; others: TaskList[] }>()
const emit = defineEmits<{ close: [] }>()

const { addList, editList, deleteList } = useListSteps()
const name = ref(props.list?.name ?? '')
const colour = ref<Colour>(props.list?.colour ?? 'sea')
const wrong = ref('')
const deleting = ref(false)
const moveTo = ref(props.others[0]?.id ?? '')

async function run(work: () => Promise<unknown>): Promise<void> {
  wrong.value = ''
  try {
    await work()
    emit('close')
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422) wrong.value = problem.message
    else tell(problem)
  }
}

const save = (archived = props.list?.archived ?? false) =>
  run(() =>
    props.list
      ? editList(props.list.id, name.value, colour.value, archived)
      : addList(name.value, colour.value),
  )
const remove = () => run(() => deleteList(props.list?.id ?? '', moveTo.value || undefined))
const holds = () => (props.list?.open ?? 0) + (props.list?.done ?? 0)
</script>

<template>
  <ModalDialog
    open
    max-width="460"
    :name="list ? `The list ${list.name}` : 'New list'"
    @close="emit('close')"
  >
    <form class="sheet box" novalidate @submit.prevent="save()">
      <h2>{{ list ? 'Change the list' : 'New list' }}</h2>
      <v-text-field
        v-model="name"
        v-first
        label="Name"
        maxlength="90"
        :error-messages="wrong"
        hide-details="auto"
      />
      <ColourChoice v-model="colour" />
      <div v-if="deleting" class="deleting">
        <p v-if="holds()">
          What becomes of its {{ counted(holds(), 'task') }}?
          <ChoiceList v-model="moveTo" aria-label="What becomes of its tasks">
            <option v-for="other in others" :key="other.id" :value="other.id">
              They go to {{ other.name }}
            </option>
            <option value="">They are deleted with it</option>
          </ChoiceList>
        </p>
        <p v-else>It is empty.</p>
        <v-btn color="error" @click="remove">Delete the list</v-btn>
      </div>
      <div class="actions">
        <template v-if="list && !deleting">
          <v-btn variant="text" @click="deleting = true">Delete …</v-btn>
          <v-btn variant="text" @click="save(!list.archived)">{{
            list.archived ? 'Bring back' : 'Archive'
          }}</v-btn>
        </template>
        <span class="gap" />
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn v-if="!deleting" type="submit" color="primary">{{ list ? 'Save' : 'Make it' }}</v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped>
.box {
  display: grid;
  gap: 14px;
  padding: 22px 26px;
}

h2 {
  margin: 0;
  font-size: var(--type-lead);
}

.deleting p {
  margin: 0 0 10px;
}

select {
  font: inherit;
  padding: 4px 6px;
  color: inherit;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 6px;
}

.actions {
  display: flex;
  gap: 4px;
}

.gap {
  flex: 1;
}
</style>
