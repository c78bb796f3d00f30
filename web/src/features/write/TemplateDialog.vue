<script setup lang="ts">
import ModalDialog from '@/ui/ModalDialog.vue'
import TemplateFields from './TemplateFields.vue'
import { templating } from './templateDialog'

/** A template is written or changed. */
</script>

<template>
  <ModalDialog :open="!!templating" max-width="680" name="Template" @close="templating = null">
    <TemplateFields v-if="templating" :key="templating.id" :draft="templating" @close="templating = null" />
  </ModalDialog>
</template>
