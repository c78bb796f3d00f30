<script setup lang="ts">
import { ref } from 'vue'
import type { Short, TaskRow, Way } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { day } from '@/shared/time/format'
import { useTaskSteps } from '@/features/tasks'
import { LinkButton } from '@/ui/kit'
import { useWays } from './queries'
import { shortSpan } from '@/shared/time/span'

/** What does not fit before it is due, with ways out, each told before it is taken. */
const props = defineProps<{ short: Short; tasks: ReadonlyMap<string, TaskRow> }>()

const { changeTasks } = useTaskSteps()
const open = ref(false)
const { data } = useWays(() => (open.value ? props.short.task : ''))
const title = (id: string) => props.tasks.get(id)?.title ?? 'another task'
const estimate = () => props.tasks.get(props.short.task)?.estimate ?? 0
function wordsOf(way: Way): string {
  if (way.kind === 'later') return `Due ${day(way.day ?? '')} instead`
  if (way.kind === 'less') return `Take ${shortSpan(way.minutes ?? 0)} instead of ${shortSpan(estimate())}`
  return way.kind === 'hand_over' ? 'Hand it over, or drop it' : `On ${day(way.day ?? '')} instead`
}
const after = (way: Way) =>
  way.short.length
    ? `then ${way.short.map((one) => `“${title(one.task)}” is ${shortSpan(one.minutes)} short`).join(', ')}`
    : 'then all fits'
function take({ kind, day: date, minutes }: Way): void {
  const tasks = [props.short.task]
  if (kind === 'later' && date) void attempt(() => changeTasks(tasks, { due: { date } }))
  else if (minutes) void attempt(() => changeTasks(tasks, { estimate: minutes }))
}
</script>

<template>
  <li>
    <router-link class="link" :to="{ name: 'tasks', params: { id: short.task } }">{{
      title(short.task)
    }}</router-link>
    is <b>{{ shortSpan(short.minutes) }} short</b> by {{ day(short.by) }}
    <LinkButton :aria-expanded="open" @click="open = !open">Ways out</LinkButton>
    <ul v-if="open" class="ways" :aria-label="`Ways out for ${title(short.task)}`">
      <li v-for="way in data" :key="way.kind">
        <router-link
          v-if="way.kind === 'hand_over'"
          class="link"
          :to="{ name: 'tasks', params: { id: short.task } }"
          >{{ wordsOf(way) }}</router-link
        >
        <LinkButton v-else @click="take(way)">{{ wordsOf(way) }}</LinkButton>
        <span class="slate">{{ after(way) }}</span>
      </li>
      <li v-if="data && !data.length" class="slate">Nothing alone makes it fit.</li>
    </ul>
  </li>
</template>

<style scoped>
.ways {
  margin: 2px 0 6px 16px;
}

.ways li {
  display: flex;
  gap: 10px;
}
</style>
