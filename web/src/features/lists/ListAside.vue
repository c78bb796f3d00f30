<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type TaskList } from '@/shared/api/client'
import { fileAddress } from '@/shared/api/files'
import { dueTab } from '@/shared/time/due'
import { ListNote, useCompleting } from '@/features/tasks'
import IndexTab from '@/ui/IndexTab.vue'
import { TickBox } from '@/ui/kit'
import { useReferences } from './queries'

/** Beside the stages of a list: what is to do, to look up and to be known. */
const props = defineProps<{ list: TaskList }>()

const SHOWN = 6
const { check } = useCompleting()
const { data } = useQuery({
  queryKey: ['tasks', 'beside', () => props.list.id],
  queryFn: ({ signal }) =>
    answer(api.GET('/tasks', { signal, params: { query: { list: props.list.id, state: 'open' } } })),
})
const tasks = computed(() => data.value?.tasks.slice(0, SHOWN) ?? [])
const found = useReferences(() => props.list.id)
const references = computed(() => found.parts.value?.[0]?.references.slice(0, SHOWN) ?? [])
</script>

<template>
  <aside aria-label="To do, to look up and note">
    <h2>
      <router-link class="plain" :to="{ name: 'tasks', query: { by: 'list', list: list.id } }"
        >To do <small v-if="data">{{ data.total }}</small></router-link
      >
    </h2>
    <ul v-if="tasks.length">
      <li v-for="task in tasks" :key="task.id">
        <TickBox
          :model-value="!!task.completedAt"
          :aria-label="`Complete: ${task.title}`"
          @click.prevent="check(task)"
        />
        <router-link
          class="plain"
          :to="{ name: 'tasks', params: { id: task.id }, query: { by: 'list', list: list.id } }"
          >{{ task.title }}</router-link
        >
        <IndexTab v-if="task.due" :near="dueTab(task.due, task.over).near">{{
          dueTab(task.due, task.over).text
        }}</IndexTab>
      </li>
    </ul>
    <p v-else class="slate">Nothing open.</p>
    <h2>
      <router-link class="plain" :to="{ name: 'list', params: { id: list.id, view: 'look-up' } }"
        >To look up <small>{{ list.references }}</small></router-link
      >
    </h2>
    <ul v-if="references.length">
      <li v-for="one in references" :key="one.id">
        <a
          v-if="one.kind === 'page'"
          class="plain"
          :href="one.url"
          target="_blank"
          rel="noopener noreferrer"
          >{{ one.title }}</a
        >
        <a v-else-if="one.file" class="plain" :href="fileAddress(one.file.id)" :download="one.file.name">{{
          one.title
        }}</a>
        <router-link
          v-else
          class="plain"
          :to="
            one.source
              ? { name: 'source', params: { id: one.source.id } }
              : { name: 'list', params: { id: list.id, view: 'look-up' } }
          "
          >{{ one.title }}</router-link
        >
      </li>
    </ul>
    <p v-else class="slate">Nothing yet.</p>
    <h2>Note</h2>
    <ListNote :id="list.id" :key="list.id" />
  </aside>
</template>

<style scoped>
aside {
  padding-left: 20px;
  border-left: 1px solid var(--v-edge);
  font-size: var(--type-note);
}

h2 {
  margin: 0 0 4px;
  font-size: var(--type-note);
  font-weight: 600;
  color: var(--v-slate);
}

ul,
p {
  margin: 0 0 18px;
}

li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--v-edge);
}

li a {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
