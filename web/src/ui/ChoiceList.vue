<script setup lang="ts" generic="Model">
import { ref } from 'vue'

/** A choice from a list; the options stand in the slot. */
const model = defineModel<Model>()
const el = ref<HTMLSelectElement>()
defineExpose({ focus: () => el.value?.focus() })
</script>

<template>
  <select ref="el" v-model="model" class="choice">
    <slot />
  </select>
</template>
