<script setup lang="ts">
defineProps<{ error: Error }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <div class="failed sheet" role="alert">
    <p>{{ error.message }}</p>
    <v-btn variant="outlined" @click="$emit('again')">Try again</v-btn>
  </div>
</template>

<style scoped>
.failed {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 18px 22px;
  margin: 24px 0;
  border-left: 5px solid rgb(var(--v-theme-error));
}

p {
  margin: 0;
}
</style>
