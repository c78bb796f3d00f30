<script setup lang="ts">
/** Does something where one stands, and looks like a link. */
</script>

<template>
  <button type="button" class="link"><slot /></button>
</template>
