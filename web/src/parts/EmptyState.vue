<script setup lang="ts">
defineProps<{ title: string }>()
</script>

<template>
  <div class="empty">
    <svg viewBox="0 0 120 70" width="120" height="70" aria-hidden="true">
      <path
        d="M14 34v20a8 8 0 0 0 8 8h76a8 8 0 0 0 8-8V34"
        fill="none"
        stroke="rgb(var(--v-theme-primary))"
        stroke-width="5"
        stroke-linecap="round"
      />
      <path d="M30 40h60M30 48h60" stroke="var(--v-edge)" stroke-width="2" stroke-linecap="round" />
    </svg>
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
  font-size: 20px;
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
