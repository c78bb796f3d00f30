<script setup lang="ts">
/** A thin rail, filled in part. */
defineProps<{ share: number }>()
</script>

<template>
  <span class="rail" aria-hidden="true"><i :style="{ width: `${share * 100}%` }" /></span>
</template>

<style scoped>
.rail {
  flex: 1;
  height: 5px;
  border-radius: 3px;
  background: var(--v-edge);
  overflow: hidden;
}

.rail i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
  transition: width 160ms;
}
</style>
