<script setup lang="ts">
import type { ConversationRow, TaskRow } from '@/shared/api/client'
import { day, time } from '@/shared/time/format'
import { useCompleting } from '@/features/tasks'
import { beginDrag, endDrag } from '@/ui/drag'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import { subjectOf } from '@/shared/words'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { useDay } from './queries'
import { LinkButton, TickBox } from '@/ui/kit'
import { shortSpan } from '@/shared/time/span'

/** What a day holds: to check off, to open, to move to another day. */
const props = defineProps<{ date: string; end?: boolean }>()
defineEmits<{ close: [] }>()

const { data } = useDay(() => props.date)
const { check } = useCompleting()
const { decide } = useDecideSteps()
const bringBack = (row: ConversationRow) => attempt(() => decide('bring_back', [claimOf(row)]))
const at = (task: TaskRow) =>
  [task.due?.time ?? '', task.estimate ? shortSpan(task.estimate) : ''].filter(Boolean).join(', ')
</script>

<template>
  <section class="sheet panel" :class="{ end }" :aria-label="day(date)">
    <h2>{{ day(date) }}</h2>
    <LoadingRows v-if="!data" />
    <p v-else-if="!data.tasks.length && !data.starts.length && !data.returns.length" class="slate">
      Nothing is due and nothing comes back.
    </p>
    <template v-else>
      <ul v-if="data.tasks.length">
        <li
          v-for="task in data.tasks"
          :key="task.id"
          draggable="true"
          @dragstart="beginDrag($event, { kind: 'task', tasks: [task] })"
          @dragend="endDrag"
        >
          <TickBox :aria-label="`Complete: ${task.title}`" @click.prevent="check(task)" />
          <router-link
            class="plain"
            :to="{ name: 'tasks', params: { id: task.id } }"
            draggable="false"
            @click="$emit('close')"
            >{{ task.title }}</router-link
          >
          <span class="slate" :class="{ over: task.over }">{{ task.over ? 'overdue' : at(task) }}</span>
        </li>
      </ul>
      <template v-if="data.starts.length">
        <h3>To begin</h3>
        <ul>
          <li v-for="task in data.starts" :key="task.id">
            <router-link
              class="plain"
              :to="{ name: 'tasks', params: { id: task.id } }"
              @click="$emit('close')"
              >{{ task.title }}</router-link
            >
          </li>
        </ul>
      </template>
      <template v-if="data.returns.length">
        <h3>Comes back</h3>
        <ul>
          <li
            v-for="row in data.returns"
            :key="row.id"
            draggable="true"
            @dragstart="beginDrag($event, { kind: 'conversation', rows: [row] })"
            @dragend="endDrag"
          >
            <router-link
              class="plain"
              :to="{ name: 'conversation', params: { id: row.id } }"
              draggable="false"
              @click="$emit('close')"
              >{{ subjectOf(row) }}</router-link
            >
            <span class="slate">{{ row.awayUntil ? time(row.awayUntil) : '' }}</span>
            <LinkButton @click="bringBack(row)">Bring back now</LinkButton>
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>

<style scoped>
.panel {
  position: absolute;
  bottom: calc(100% + 1px);
  left: 0;
  width: min(400px, calc(100vw - 24px));
  max-height: 60vh;
  overflow: auto;
  padding: 14px 18px 16px;
  border: 1px solid var(--v-edge);
  border-bottom: 0;
  border-radius: 10px 10px 0 0;
}

.panel.end {
  left: auto;
  right: 0;
}

h2 {
  margin: 0 0 6px;
  font-size: var(--type-lead);
}

h3 {
  margin: 10px 0 2px;
  font-size: var(--type-small);
  color: var(--v-slate);
}

p {
  margin: 0;
}

li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 32px;
}

li a {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

li .slate {
  font-size: var(--type-note);
}

.over {
  color: rgb(var(--v-theme-error));
}

@media (max-width: 760px) {
  .panel {
    position: fixed;
    left: 12px;
    right: 12px;
    bottom: 41px;
    width: auto;
  }
}
</style>
