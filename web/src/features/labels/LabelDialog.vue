<script setup lang="ts">
import { ref } from 'vue'
import type { Colour, Label } from '@/shared/api/client'
import ColourChoice from '@/ui/ColourChoice.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { ChoiceList, TickBox } from '@/ui/kit'
import { attempt } from '@/shared/notice'
import { useKeeping } from '@/shared/typing/keeping'
import { useLabelSteps } from './steps'

/** A label is made, called otherwise, coloured, merged into another one or deleted. */
const props = defineProps<{ label: Label | null; others: Label[] }>()
const emit = defineEmits<{ close: [] }>()

const { addLabel, editLabel, mergeLabel, deleteLabel } = useLabelSteps()
const name = ref(props.label?.name ?? '')
const colour = ref<Colour>(props.label?.colour ?? 'sea')
const untilDealt = ref(props.label?.untilDealt ?? false)
const into = ref('')

const { wrong, keep } = useKeeping(
  'name',
  () => {
    const fields = { name: name.value, colour: colour.value, untilDealt: untilDealt.value }
    return props.label ? editLabel(props.label.id, fields) : addLabel(fields)
  },
  () => emit('close'),
)
async function finish(work: () => Promise<unknown>): Promise<void> {
  if (await attempt(work)) emit('close')
}
const merge = (of: Label) => finish(() => mergeLabel(of.id, into.value))
const remove = (of: Label) => finish(() => deleteLabel(of.id))
</script>

<template>
  <ModalDialog
    open
    max-width="460"
    :name="label ? `The label ${label.name}` : 'New label'"
    @close="emit('close')"
  >
    <form class="sheet asking" novalidate @submit.prevent="keep">
      <h2>{{ label ? 'Change the label' : 'New label' }}</h2>
      <v-text-field
        v-model="name"
        v-first
        label="Name"
        maxlength="60"
        :error-messages="wrong.name ?? wrong.labels"
        hide-details="auto"
      />
      <ColourChoice v-model="colour" />
      <label class="until">
        <TickBox v-model="untilDealt" /> It stands until dealt with: it falls off what is archived, deleted or
        done
      </label>
      <p v-if="label && others.length" class="merge">
        <ChoiceList v-model="into" aria-label="Merge it into">
          <option value="">Merge it into …</option>
          <option v-for="other in others" :key="other.id" :value="other.id">{{ other.name }}</option>
        </ChoiceList>
        <v-btn v-if="into" variant="outlined" size="small" @click="merge(label)">Merge</v-btn>
      </p>
      <div class="actions">
        <v-btn v-if="label" variant="text" @click="remove(label)">Delete</v-btn>
        <span class="gap" />
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn type="submit" color="primary">{{ label ? 'Save' : 'Make it' }}</v-btn>
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

h2,
.merge {
  margin: 0;
}

.merge {
  display: flex;
  gap: 10px;
  align-items: center;
}

.merge select {
  padding: 4px 6px;
  border: 1px solid var(--v-edge);
  border-radius: 6px;
}

.gap {
  flex: 1;
}
</style>
