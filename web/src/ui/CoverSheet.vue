<script setup lang="ts">
import { onMounted, ref } from 'vue'

/** Lies within a dialog, and gives it the focus when nothing in it has taken it. */
const here = ref<HTMLElement>()
onMounted(() => {
  const content = here.value?.closest<HTMLElement>('.v-overlay__content')
  if (content && !content.contains(document.activeElement)) content.focus({ preventScroll: true })
})
</script>

<template><span ref="here" hidden /></template>
