<script setup lang="ts">
import ModalDialog from '@/ui/ModalDialog.vue'
import { giving } from './giving'
import OrderFields from './OrderFields.vue'

/** A standing order is given or changed. */
</script>

<template>
  <ModalDialog :open="!!giving" max-width="720" name="Standing order" @close="giving = null">
    <OrderFields v-if="giving" :key="giving.id" :giving="giving" @close="giving = null" />
  </ModalDialog>
</template>
