<script setup lang="ts">
import { ref } from 'vue'
import { attempt } from '@/shared/notice'
import { counted } from '@/shared/words'
import ModalDialog from '@/ui/ModalDialog.vue'
import { useBinSteps } from './steps'

/** All that lies in the bin is removed for good, after it was asked. */
defineProps<{ total: number }>()

const { emptyBin } = useBinSteps()
const asking = ref(false)

async function empty(): Promise<void> {
  asking.value = false
  await attempt(emptyBin)
}
</script>

<template>
  <v-btn variant="outlined" size="small" @click="asking = true">Empty the bin</v-btn>
  <ModalDialog :open="asking" name="Empty the bin" @close="asking = false">
    <div class="sheet asking">
      <h2>Empty the bin?</h2>
      <p>
        {{ counted(total, 'conversation') }} will be gone for good. This cannot be undone. Tasks that came
        from this mail keep their copies.
      </p>
      <div class="actions">
        <v-btn v-first variant="text" @click="asking = false">Keep them</v-btn>
        <v-btn color="error" @click="empty">Remove for good</v-btn>
      </div>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
.actions {
  justify-content: flex-end;
  margin-top: 18px;
}
</style>
