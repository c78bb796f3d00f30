<script setup lang="ts">
import EmptyState from '@/ui/EmptyState.vue'
</script>

<template>
  <div class="view">
    <EmptyState title="There is nothing at this address">
      It may have been mistyped.
      <template #actions><v-btn color="primary" to="/">Go to the tray</v-btn></template>
    </EmptyState>
  </div>
</template>
