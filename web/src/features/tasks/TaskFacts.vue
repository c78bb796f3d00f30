<script setup lang="ts">
import { computed } from 'vue'
import type { Task } from '@/shared/api/client'
import { dueText } from '@/shared/time/due'
import { moment, nearMoment } from '@/shared/time/format'
import { TimeSpent } from '@/features/clock'
import ListWord from '@/ui/ListWord.vue'
import { spanText } from '@/shared/time/span'

/** What is known of a task, line by line. */
const props = defineProps<{ task: Task }>()
const row = computed(() => props.task.row)

/** "Europe/Lisbon" as "Lisbon". */
const placeOf = (zone: string) => zone.split('/').at(-1)?.replaceAll('_', ' ') ?? zone
</script>

<template>
  <dl>
    <dt>List</dt>
    <dd><ListWord :list="row.list" /></dd>
    <template v-if="row.start">
      <dt>Start</dt>
      <dd>{{ dueText(row.start) }}{{ row.waiting ? ', out of the way until then' : '' }}</dd>
    </template>
    <template v-if="row.due">
      <dt>Due</dt>
      <dd>{{ dueText(row.due) }}</dd>
    </template>
    <template v-if="task.repeat">
      <dt>Repeat</dt>
      <dd>
        {{ task.repeat.text
        }}<template v-if="task.repeat.zone">, in the time of {{ placeOf(task.repeat.zone) }}</template
        >{{ task.repeat.fromCompletion ? ', counted from the day it is done' : '' }}
        <span v-if="task.repeat.next" class="slate">next {{ dueText(task.repeat.next) }}</span>
      </dd>
    </template>
    <template v-if="task.reminders.length">
      <dt>Reminders</dt>
      <dd>
        <span v-for="reminder in task.reminders" :key="reminder.text" class="line">
          {{ reminder.text }}<span v-if="reminder.at" class="slate">, {{ nearMoment(reminder.at) }}</span>
        </span>
      </dd>
    </template>
    <template v-if="row.estimate">
      <dt>Takes</dt>
      <dd>
        {{ spanText(row.estimate) }}<span v-if="task.time.usual" class="slate">, {{ task.time.usual }}</span>
      </dd>
    </template>
    <template v-if="task.time.stretches.length">
      <dt>Worked</dt>
      <dd><TimeSpent :task="task" /></dd>
    </template>
    <template v-if="row.priority !== 'normal'">
      <dt>Priority</dt>
      <dd>{{ row.priority }}</dd>
    </template>
    <template v-if="row.labels.length">
      <dt>Labels</dt>
      <dd><LabelWord v-for="label in row.labels" :key="label.id" :label="label" /></dd>
    </template>
    <dt>Made</dt>
    <dd>{{ moment(task.createdAt) }}</dd>
    <template v-if="row.completedAt">
      <dt>Done</dt>
      <dd>{{ moment(row.completedAt) }}</dd>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 78px 1fr;
  gap: 5px 16px;
  margin: 0;
}

dt {
  color: var(--v-slate);
  font-size: var(--type-note);
}

dd {
  margin: 0;
  font-weight: 500;
}

dd .slate {
  font-weight: 400;
}

.line {
  display: block;
}
</style>
