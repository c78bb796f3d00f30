<script setup lang="ts">
/** The empty tray, or one with something left in it. */
defineProps<{ left?: boolean }>()
</script>

<template>
  <svg viewBox="0 0 120 70" width="120" height="70" aria-hidden="true">
    <path
      d="M14 34v20a8 8 0 0 0 8 8h76a8 8 0 0 0 8-8V34"
      fill="none"
      stroke="rgb(var(--v-theme-primary))"
      stroke-width="5"
      stroke-linecap="round"
    />
    <path
      v-if="left"
      d="M30 48h60"
      stroke="rgb(var(--v-theme-warning))"
      stroke-width="4"
      stroke-linecap="round"
    />
    <path v-else d="M30 40h60M30 48h60" stroke="var(--v-edge)" stroke-width="2" stroke-linecap="round" />
  </svg>
</template>
