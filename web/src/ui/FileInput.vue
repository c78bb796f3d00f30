<script setup lang="ts">
import { ref } from 'vue'

/** Has files chosen; what opens it, and what is done with them, is said where it stands. */
const el = ref<HTMLInputElement>()
defineExpose({ el })
</script>

<template>
  <input ref="el" type="file" />
</template>
