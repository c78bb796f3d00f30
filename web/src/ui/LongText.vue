<script setup lang="ts">
import { ref } from 'vue'

/** Text of several lines, without a frame of its own. */
const model = defineModel<string>()
const el = ref<HTMLTextAreaElement>()
defineExpose({ el })
</script>

<template>
  <textarea ref="el" v-model="model" />
</template>
