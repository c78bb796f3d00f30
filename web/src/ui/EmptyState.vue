<script setup lang="ts">
import TrayMark from './TrayMark.vue'

defineProps<{ title: string }>()
</script>

<template>
  <div class="empty">
    <TrayMark />
    <h2>{{ title }}</h2>
    <p class="slate"><slot /></p>
    <div class="actions"><slot name="actions" /></div>
  </div>
</template>

<style scoped>
.empty {
  display: grid;
  justify-items: center;
  text-align: center;
  padding: 72px 16px;
}

h2 {
  font-size: var(--type-head);
  font-weight: 600;
  margin: 18px 0 4px;
}

p {
  max-width: 46ch;
  margin: 0;
}

.actions {
  margin-top: 18px;
  display: flex;
  gap: 10px;
}
</style>
