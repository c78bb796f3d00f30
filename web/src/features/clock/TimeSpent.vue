<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Task } from '@/shared/api/client'
import { nearMoment } from '@/shared/time/format'
import { clockText, workText } from '@/shared/time/span'
import { LinkButton } from '@/ui/kit'
import { askHowLong, useClock, useSeconds } from './clock'

/** How long somebody was at a task, stretch by stretch; each can be set right. */
const props = defineProps<{ task: Task }>()
const { runs } = useClock()
const { whole } = useSeconds()
const isOpen = ref(false)
const ended = computed(() => props.task.time.stretches.filter((one) => !one.runs))
</script>

<template>
  <span v-if="runs(task.row)">{{ clockText(whole) }} <span class="slate">and running</span></span>
  <span v-else>{{ workText(task.time.seconds) }}</span>
  {{ ' ' }}
  <LinkButton v-if="ended.length" :aria-expanded="isOpen" @click="isOpen = !isOpen">
    {{ isOpen ? 'less' : 'when' }}
  </LinkButton>
  <ul v-if="isOpen">
    <li v-for="one in ended" :key="one.id">
      {{ nearMoment(one.begins) }}, {{ workText(one.seconds) }}
      <LinkButton @click="askHowLong({ id: one.id, title: task.row.title, seconds: one.seconds })"
        >Set right</LinkButton
      >
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 2px 0 0;
  padding: 0;
  list-style: none;
  font-weight: 400;
}

.slate {
  font-weight: 400;
}
</style>
