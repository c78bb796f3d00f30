<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { answer, api } from '@/shared/api/client'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import MarkdownText from '@/ui/MarkdownText.vue'
import { LinkButton } from '@/ui/kit'
import { useListSteps } from './listSteps'

/** What is to be known of the subject of a list. */
const props = defineProps<{ id: string }>()
const { noteDown } = useListSteps()
const { data, refetch } = useQuery({
  queryKey: ['list-note', props.id],
  queryFn: ({ signal }) =>
    answer(api.GET('/lists/{id}/note', { signal, params: { path: { id: props.id } } })),
})
const fields = reactive({ note: '' })
const { keptAt, accept, anew } = useTyped(`list-note:${props.id}`, fields)
const isOpen = ref(fields.note !== '')

function open(): void {
  if (!fields.note) fields.note = data.value?.note ?? ''
  isOpen.value = true
}
/** What is no other than what stands there need not be kept. */
function close(): void {
  isOpen.value = false
  if (fields.note.trim() === (data.value?.note ?? '')) fields.note = ''
}
const { wrong, busy, keep } = useKeeping(
  'note',
  () => noteDown(props.id, fields.note, data.value?.note ?? ''),
  () => {
    fields.note = ''
    accept()
    isOpen.value = false
  },
)
async function save(): Promise<void> {
  await keep()
  // Somebody wrote in another window: what stands there now is shown above.
  if (wrong.value.note) await refetch()
}
</script>

<template>
  <section class="note" aria-label="Note">
    <div v-if="data?.note && (!isOpen || wrong.note)" class="text"><MarkdownText :text="data.note" /></div>
    <form v-if="isOpen" novalidate @submit.prevent="save" @keydown.ctrl.enter.prevent="save">
      <KeptNote :at="keptAt" @anew="anew" />
      <v-textarea
        v-model="fields.note"
        v-first
        label="Note"
        rows="4"
        auto-grow
        maxlength="50000"
        hide-details="auto"
        :error-messages="wrong.note"
        @keydown.esc.stop="close"
      />
      <p class="buttons">
        <v-btn type="submit" color="primary" size="small" :loading="busy">Save the note</v-btn>
        <v-btn variant="text" size="small" @click="close">Cancel</v-btn>
      </p>
    </form>
    <!-- there from the first on: what stands below does not move when the answer comes -->
    <LinkButton v-else :disabled="!data" @click="open">{{
      data?.note ? 'Change the note' : 'Write a note'
    }}</LinkButton>
  </section>
</template>

<style scoped>
.note {
  max-width: 75ch;
  margin-bottom: 12px;
  font-size: var(--type-note);
}

.text {
  max-height: 14em;
  margin-bottom: 2px;
  overflow: auto;
}

form {
  display: grid;
  gap: 8px;
}

.buttons {
  display: flex;
  gap: 8px;
  margin: 0;
}
</style>
