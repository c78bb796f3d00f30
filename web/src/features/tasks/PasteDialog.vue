<script setup lang="ts">
import type { Outline } from '@/shared/api/client'
import OutlineDialog from './OutlineDialog.vue'
import { pasting } from './paste'
import { useTaskSteps } from './steps'

/** A pasted list becomes tasks, from wherever it was pasted. */
const { makeTasks } = useTaskSteps()

async function save(_fields: unknown, made: Outline[]): Promise<void> {
  const of = pasting.value
  await makeTasks(
    made.map(({ title, notes, under, jotted, done }) => ({
      fields: { title, notes: notes ?? '', ...(of?.list ? { list: of.list } : {}) },
      subtasks: under ?? [],
      jotted: jotted ?? false,
      done: done ?? false,
      ...(of?.parent ? { parent: of.parent } : {}),
    })),
  )
  of?.done?.()
}
</script>

<template>
  <OutlineDialog
    v-if="pasting"
    :place="`outline:${pasting.parent ?? 'new'}`"
    :text="pasting.text"
    :into="pasting.parent ? 'its lines become subtasks' : pasting.list && `into ${pasting.list}`"
    :save="save"
    @close="pasting = null"
  />
</template>
