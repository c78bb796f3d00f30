<script setup lang="ts">
import { computed } from 'vue'
import type { AgendaDay, TaskRow } from '@/shared/api/client'
import { useCompleting } from '@/features/tasks'
import { TickBox } from '@/ui/kit'
import { hoursOf, inOrder, type Thing } from './things'
import { shortSpan } from '@/shared/time/span'

/** A day read in order. */
const props = defineProps<{
  day: AgendaDay
  things: readonly Thing[]
  tasks: ReadonlyMap<string, TaskRow>
}>()

const { check } = useCompleting()
const ordered = computed(() => inOrder(props.things, props.day.date))
const due = computed(() => props.day.due.flatMap((id) => props.tasks.get(id) ?? []))
</script>

<template>
  <section aria-label="The day in order">
    <p v-if="!ordered.length && !due.length" class="slate">
      Nothing lies on this day yet. Click an hour to write something on it.
    </p>
    <ul>
      <li v-for="thing in ordered" :key="thing.ref" :class="{ done: thing.done }">
        <span class="at slate">{{ hoursOf(thing) }}</span>
        <template v-if="thing.kind === 'slot'">
          <TickBox
            v-if="tasks.get(thing.task ?? '')"
            :checked="thing.done"
            :aria-label="`Complete: ${thing.title}`"
            @click.prevent="check(tasks.get(thing.task ?? '')!)"
          />
          <router-link class="plain" :to="{ name: 'tasks', params: { id: thing.task ?? '' } }">{{
            thing.title
          }}</router-link>
        </template>
        <router-link
          v-else
          class="plain event"
          :to="{ name: 'agenda', query: { event: thing.id, ...(thing.key ? { key: thing.key } : {}) } }"
          >{{ thing.title }}</router-link
        >
        <span class="slate">{{ thing.about }}</span>
      </li>
      <li v-for="task in due" :key="task.id">
        <span class="at slate">due</span>
        <TickBox :aria-label="`Complete: ${task.title}`" @click.prevent="check(task)" />
        <router-link class="plain" :to="{ name: 'tasks', params: { id: task.id } }">{{
          task.title
        }}</router-link>
        <span class="slate">{{ task.estimate ? shortSpan(task.estimate) : '' }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 7px 14px;
  border-bottom: 1px solid var(--v-edge);
}

.at {
  flex: 0 0 118px;
  font-size: var(--type-note);
}

.event {
  padding-left: 10px;
  border-left: 4px solid var(--v-slate);
}

.done a {
  text-decoration: line-through;
}

p {
  padding: 4px 14px;
}
</style>
