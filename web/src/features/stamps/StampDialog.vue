<script setup lang="ts">
import ModalDialog from '@/ui/ModalDialog.vue'
import { making } from './making'
import StampFields from './StampFields.vue'

/** A stamp is made or changed. */
</script>

<template>
  <ModalDialog :open="!!making" max-width="640" name="Stamp" @close="making = null">
    <StampFields v-if="making" :key="making.id" :making="making" @close="making = null" />
  </ModalDialog>
</template>
