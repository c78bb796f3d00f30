<script setup lang="ts" generic="Model extends boolean | readonly unknown[] | undefined">
/** A box to be ticked: its model is whether it is, or the values of all that are ticked. */
const model = defineModel<Model>()
defineProps<{ value?: unknown }>()
</script>

<template>
  <input v-model="model" type="checkbox" class="tick" :value="value" />
</template>
