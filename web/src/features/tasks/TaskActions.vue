<script setup lang="ts">
import type { Task } from '@/shared/api/client'
import { FOCUS, PAUSE, useClock } from '@/features/clock'
import { useCompleting } from './complete'
import { attempt } from '@/shared/notice'
import { putOff } from './putOff'
import { useTaskSteps } from './steps'

/** What can be done with an open task. */
const props = defineProps<{ task: Task }>()
const emit = defineEmits<{ edit: []; deleted: [] }>()

const { skipTask, deleteTasks } = useTaskSteps()
const { check } = useCompleting()
const { runs, turn } = useClock()

async function remove(): Promise<void> {
  if (await attempt(() => deleteTasks([props.task.row.id]))) emit('deleted')
}
</script>

<template>
  <div class="actions">
    <v-btn v-keyed="' '" color="primary" @click="check(task.row)">{{
      task.row.completedAt ? 'Open again' : 'Complete'
    }}</v-btn>
    <template v-if="!task.row.completedAt">
      <v-btn v-if="task.repeat?.next" variant="outlined" @click="attempt(() => skipTask(task.row.id))">
        Skip this one
      </v-btn>
      <v-btn v-keyed="'3'" variant="outlined" @click="putOff([task.row])">Put off</v-btn>
      <v-btn v-keyed="'4'" variant="outlined" :to="{ name: 'write', query: { task: task.row.id } }"
        >Hand over</v-btn
      >
    </template>
    <template v-if="!task.row.completedAt">
      <v-btn v-keyed="PAUSE" variant="outlined" @click="turn(task.row)">{{
        runs(task.row) ? 'Pause the clock' : 'Start the clock'
      }}</v-btn>
      <v-btn v-keyed="FOCUS" variant="outlined" :to="{ name: 'focus', params: { id: task.row.id } }"
        >Focus</v-btn
      >
    </template>
    <v-btn v-keyed="'F2'" variant="outlined" @click="emit('edit')">Edit</v-btn>
    <v-btn v-keyed="'6'" variant="text" @click="remove">Delete</v-btn>
  </div>
</template>

<style scoped>
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 18px;
}
</style>
