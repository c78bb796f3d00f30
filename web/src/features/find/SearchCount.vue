<script setup lang="ts">
import { computed } from 'vue'
import { useSearchCount } from './queries'

/** How much a kept search finds. */
const props = defineProps<{ id: string }>()
const { data } = useSearchCount(props.id)
const text = computed(() => data.value?.count.toLocaleString('en-GB') ?? '')
</script>

<template>
  <small class="slate">{{ text }}</small>
</template>
