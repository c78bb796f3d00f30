<script setup lang="ts">
/** A button without a look of its own: who uses it says how it looks, and whether it submits. */
</script>

<template>
  <button type="button" class="plain-button"><slot /></button>
</template>
