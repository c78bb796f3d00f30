<script setup lang="ts">
import { ref, watch } from 'vue'
import type { When } from '@/shared/api/client'
import { toWhen, type Written } from '@/shared/api/when'
import ModalDialog from '@/ui/ModalDialog.vue'
import { nameOf, type Row } from './coming'
import PresetList from '@/ui/PresetList.vue'
import WhenField from '@/ui/WhenField.vue'

/** To which moment something that comes is moved. */
const props = defineProps<{ row: Row | null; error: string }>()
const emit = defineEmits<{ move: [to: When]; close: [] }>()

const to = ref<Written>({ phrase: '', reading: null })
const missing = ref('')
const field = ref<InstanceType<typeof WhenField>>()
const WHAT = { mail: 'Comes back', owed: 'Comes back', start: 'Begins', reminder: 'Reminds', out: 'Goes out' }

watch(
  () => props.row,
  () => {
    to.value = { phrase: '', reading: null }
    missing.value = ''
  },
)

function go(): void {
  const when = toWhen(to.value)
  if (when) emit('move', when)
  else missing.value = 'When?'
}
</script>

<template>
  <ModalDialog :open="!!row" max-width="460" name="Move" @close="emit('close')">
    <div v-if="row" class="sheet asking">
      <h2>Move “{{ nameOf(row) }}”</h2>
      <PresetList title="Move" @choose="(when) => emit('move', when)" @write="field?.focus()" />
      <form novalidate @submit.prevent="go">
        <WhenField
          ref="field"
          v-model="to"
          :label="WHAT[row.kind]"
          placeholder="friday, in 2 weeks …"
          bare
          keyed="0"
          :error="error || missing"
        />
        <div class="actions">
          <v-btn type="submit" color="primary">Move</v-btn>
          <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        </div>
      </form>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form,
.actions {
  margin-top: 12px;
}
</style>
