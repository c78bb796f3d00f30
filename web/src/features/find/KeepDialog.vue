<script setup lang="ts">
import { reactive } from 'vue'
import { newId, type FindSort, type KeptSearch } from '@/shared/api/client'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import { attempt } from '@/shared/notice'
import KeptNote from '@/ui/KeptNote.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { ChoiceDot } from '@/ui/kit'
import { useSearchSteps } from './steps'

/** A search is kept under a name, changed or dropped. */
const props = defineProps<{ search: KeptSearch | null; words: string; sort: FindSort }>()
const emit = defineEmits<{ close: [] }>()

const { keepSearch, dropSearch } = useSearchSteps()
const fields = reactive({
  name: props.search?.name ?? '',
  words: props.search?.words ?? props.words,
  sort: props.search?.sort ?? (props.sort === 'task' ? ('task' as const) : ('mail' as const)),
  shownIn: props.search?.shownIn ?? ('' as KeptSearch['shownIn']),
})
const { keptAt, accept, anew } = useTyped(`search:${props.search?.id ?? 'new'}`, fields)
const { wrong, busy, keep } = useKeeping(
  'name',
  () => keepSearch(props.search?.id ?? newId(), { ...fields }),
  () => {
    accept()
    emit('close')
  },
)
async function drop(): Promise<void> {
  if (props.search && (await attempt(() => dropSearch(props.search?.id ?? '')))) {
    accept()
    emit('close')
  }
}
const SHOWN = [
  { value: '', text: 'here only' },
  { value: 'tray', text: 'as a group in the Tray' },
  { value: 'tasks', text: 'as a group in Tasks' },
] as const
</script>

<template>
  <ModalDialog
    open
    max-width="480"
    :name="search ? `The search ${search.name}` : 'Keep this search'"
    @close="emit('close')"
  >
    <form class="sheet asking" novalidate @submit.prevent="keep">
      <h2>{{ search ? 'Change the search' : 'Keep this search' }}</h2>
      <KeptNote :at="keptAt" @anew="anew" />
      <v-text-field
        v-model="fields.name"
        v-first
        label="Name"
        maxlength="60"
        hide-details="auto"
        :error-messages="wrong.name"
      />
      <v-text-field
        v-model="fields.words"
        label="What is looked for"
        maxlength="500"
        hide-details="auto"
        :error-messages="wrong.words ?? wrong.sort"
      />
      <fieldset>
        <legend>It finds</legend>
        <label><ChoiceDot v-model="fields.sort" value="mail" name="sort" /> mail</label>
        <label><ChoiceDot v-model="fields.sort" value="task" name="sort" /> tasks</label>
      </fieldset>
      <fieldset>
        <legend>It is shown</legend>
        <label v-for="one in SHOWN" :key="one.value"
          ><ChoiceDot v-model="fields.shownIn" :value="one.value" name="shown" /> {{ one.text }}</label
        >
      </fieldset>
      <div class="actions">
        <v-btn v-if="search" variant="text" @click="drop">Drop it</v-btn>
        <span class="gap" />
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" color="primary" :loading="busy">Keep it</v-btn>
      </div>
    </form>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 14px;
}

fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 0;
  border: 0;
}

legend {
  margin-bottom: 4px;
  font-size: var(--type-note);
  color: var(--v-slate);
}

.gap {
  flex: 1;
}
</style>
