<script setup lang="ts" generic="Model">
/** One of several choices, of which one holds. */
const model = defineModel<Model>()
defineProps<{ value: Model }>()
</script>

<template>
  <input v-model="model" type="radio" class="tick" :value="value" />
</template>
