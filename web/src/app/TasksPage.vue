<script setup lang="ts">
import { KeptGroups } from '@/features/find'
import TasksView from '@/features/tasks/TasksView.vue'

/** The tasks, and above them the searches that are shown there. */
defineProps<{ id?: string }>()
</script>

<template>
  <TasksView :id="id"><KeptGroups in="tasks" /></TasksView>
</template>
