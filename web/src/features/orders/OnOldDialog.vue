<script setup lang="ts">
import { computed, onMounted } from 'vue'
import type { Order } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { useAskAgain } from '@/shared/steps/steps'
import { counted } from '@/shared/words'
import ModalDialog from '@/ui/ModalDialog.vue'
import { useOnOld, useTrial } from './trial'
import TrialResult from './TrialResult.vue'

/** An order is carried out on mail that was here before, after it was seen on which. */
const props = defineProps<{ order: Order }>()
const emit = defineEmits<{ close: [] }>()

const trial = useTrial()
const { done, seen, busy, troubles, carryOut, stop } = useOnOld()
const askAgain = useAskAgain()
onMounted(() => attempt(() => trial.look(props.order.condition, props.order.steps)))
const isOver = computed(() => seen.value > 0 && !busy.value)

async function start(): Promise<void> {
  await carryOut(props.order.id)
  await askAgain()
}
function close(): void {
  stop()
  trial.stop()
  emit('close')
}
</script>

<template>
  <ModalDialog open max-width="640" name="On old mail" @close="close">
    <div class="sheet asking">
      <h2>“{{ order.name }}” on old mail</h2>
      <p>
        Nothing is answered, and what you have decided stays decided: it is only labelled. Each of it can be
        undone, or all of today under Settings.
      </p>
      <TrialResult :trial="trial" unsound="" />
      <p v-if="busy || isOver" role="status">
        Carried out on {{ counted(done, 'conversation') }}
        <span class="slate">of {{ seen }} looked at{{ busy ? ' …' : '' }}</span>
      </p>
      <p v-for="trouble in troubles" :key="trouble" class="slate">{{ trouble }}</p>
      <div class="actions">
        <v-btn
          v-if="!isOver"
          v-first
          color="primary"
          :loading="busy"
          :disabled="trial.state.value !== 'done' || !trial.count.value"
          @click="start"
          >Carry it out</v-btn
        >
        <v-btn v-if="busy" variant="text" @click="stop">Stop</v-btn>
        <v-btn variant="text" @click="close">{{ isOver ? 'Done' : 'Cancel' }}</v-btn>
      </div>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
p {
  margin: 0 0 12px;
}

.actions {
  margin-top: 14px;
}
</style>
