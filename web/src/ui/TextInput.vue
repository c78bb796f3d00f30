<script setup lang="ts" generic="Model">
import { ref } from 'vue'

/** A line of text, a number or a password, without a frame of its own. */
const model = defineModel<Model>()
const el = ref<HTMLInputElement>()
defineExpose({ el, focus: (how?: FocusOptions) => el.value?.focus(how) })
</script>

<template>
  <input ref="el" v-model="model" />
</template>
