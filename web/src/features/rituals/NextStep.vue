<script setup lang="ts">
import { reactive, ref } from 'vue'
import type { Colour } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { useTyped } from '@/shared/typing/kept'
import { useTaskSteps } from '@/features/tasks'
import ListWord from '@/ui/ListWord.vue'
import { TextInput } from '@/ui/kit'

/** A list in which nothing can be done next: its next step is written here. */
const props = defineProps<{ list: { id: string; name: string; colour: Colour } }>()
const { makeTasks } = useTaskSteps()
const fields = reactive({ title: '' })
const typed = useTyped(`next-step:${props.list.id}`, fields)
const busy = ref(false)

async function write(): Promise<void> {
  const title = fields.title.trim()
  if (!title || busy.value) return
  busy.value = true
  if (await attempt(() => makeTasks([{ fields: { title, notes: '', list: props.list.name } }]))) typed.anew()
  busy.value = false
}
</script>

<template>
  <form class="next" @submit.prevent="write">
    <ListWord class="list" :list="list" />
    <TextInput
      v-model="fields.title"
      class="field"
      :aria-label="`The next step in ${list.name}`"
      placeholder="Its next step"
    />
    <v-btn type="submit" variant="outlined">Write it down</v-btn>
  </form>
</template>

<style scoped>
.next {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
}

.list {
  font-weight: 600;
  overflow-wrap: anywhere;
}

.field {
  min-height: 38px;
  padding: 0 12px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-slate);
  border-radius: 8px;
}

@media (max-width: 760px) {
  .next {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  .list {
    grid-column: 1 / -1;
  }
}
</style>
