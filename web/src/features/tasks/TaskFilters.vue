<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import type { TaskList } from '@/shared/api/client'
import { LabelFilter } from '@/features/labels'
import type { TaskFilter } from './queries'
import { ChoiceList, LinkButton, TextInput } from '@/ui/kit'

/** What of the tasks is shown: those with words in them, of a list, with a label, of a priority. */
defineProps<{ lists: TaskList[]; listless?: boolean }>()
const words = defineModel<string>('words', { required: true })
const filter = defineModel<Filter>('filter', { required: true })

type Filter = Omit<TaskFilter, 'words'>
const set = (more: Partial<Filter>) => (filter.value = { ...filter.value, ...more })
const value = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <div class="filters" role="search" aria-label="Filter the tasks">
    <label class="words">
      <v-icon :icon="mdiMagnify" size="17" />
      <TextInput v-model="words" type="search" placeholder="Words in tasks" aria-label="Words in tasks" />
    </label>
    <ChoiceList
      v-if="!listless"
      :model-value="filter.list"
      aria-label="Of the list"
      :class="{ on: filter.list }"
      @change="set({ list: value($event) })"
    >
      <option value="">all lists</option>
      <option v-for="list in lists" :key="list.id" :value="list.id">{{ list.name }}</option>
    </ChoiceList>
    <LabelFilter :model-value="filter.label" counts="tasks" @update:model-value="set({ label: $event })" />
    <ChoiceList
      :model-value="filter.priority"
      aria-label="Of the priority"
      :class="{ on: filter.priority }"
      @change="set({ priority: value($event) as Filter['priority'] })"
    >
      <option value="">any priority</option>
      <option value="high">high priority</option>
      <option value="normal">normal</option>
      <option value="low">low</option>
    </ChoiceList>
    <LinkButton
      v-if="words || filter.list || filter.label || filter.priority"
      @click="((words = ''), (filter = { list: '', label: '', priority: '' }))"
    >
      Show all
    </LinkButton>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 12px;
  font-size: var(--type-note);
}

.words {
  display: flex;
  gap: 5px;
  align-items: center;
  padding: 3px 9px;
  color: var(--v-slate);
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

.words:focus-within {
  border-color: rgb(var(--v-theme-primary));
}

input {
  width: 130px;
  font: inherit;
  color: rgb(var(--v-theme-on-surface));
  background: none;
  border: 0;
  outline: none;
}

select {
  font: inherit;
  color: var(--v-slate);
  background: none;
  border: 0;
  field-sizing: content;
  cursor: pointer;
}

select.on {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
</style>
