<script setup lang="ts">
import CardFields from './ContactFields.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { carding } from './contactDialog'

/** A person's card is filled in; what was found in a message says where. */
</script>

<template>
  <ModalDialog :open="!!carding" name="Card" @close="carding = null">
    <CardFields v-if="carding" :key="carding.card.id" :carding="carding" @close="carding = null" />
  </ModalDialog>
</template>
