<script setup lang="ts">
import { computed } from 'vue'
import type { KeptSearch } from '@/shared/api/client'
import { ConversationLine } from '@/features/conversation'
import { useCompleting } from '@/features/tasks'
import { dueTab } from '@/shared/time/due'
import IndexTab from '@/ui/IndexTab.vue'
import ListWord from '@/ui/ListWord.vue'
import { TickBox } from '@/ui/kit'
import { useFind, useThings } from './queries'

/** The first of what a kept search finds, to be opened from there. */
const props = defineProps<{ search: KeptSearch }>()

const SHOWN = 6
const isMail = computed(() => props.search.sort === 'mail')
const { data } = useFind(() => props.search.words, '', '', '', isMail)
const { data: things } = useThings(() => (isMail.value ? '' : props.search.words), 'mail')
const { check } = useCompleting()
const isThere = computed(() => (isMail.value ? data.value : things.value) !== undefined)
const count = computed(() => (isMail.value ? data.value?.total : things.value?.counts.task) ?? 0)
const rows = computed(() => data.value?.rows.slice(0, SHOWN) ?? [])
const tasks = computed(() => things.value?.tasks.slice(0, SHOWN) ?? [])
</script>

<template>
  <ul class="sheet">
    <template v-if="isMail">
      <ConversationLine v-for="row in rows" :key="row.id" :row="row" :selectable="false">
        <span class="slate place">{{ row.place }}</span>
      </ConversationLine>
    </template>
    <template v-else>
      <li v-for="task in tasks" :key="task.id" class="task">
        <TickBox
          :model-value="!!task.completedAt"
          :aria-label="`Complete: ${task.title}`"
          @click.prevent="check(task)"
        />
        <router-link class="plain title" :to="{ name: 'tasks', params: { id: task.id } }">{{
          task.title
        }}</router-link>
        <ListWord class="slate" :list="task.list" />
        <IndexTab v-if="task.due && !task.completedAt" :near="dueTab(task.due, task.over).near">{{
          dueTab(task.due, task.over).text
        }}</IndexTab>
      </li>
    </template>
    <li v-if="count > SHOWN" class="task">
      <router-link class="link" :to="{ name: 'find', query: { words: search.words, sort: search.sort } }"
        >All {{ count.toLocaleString('en-GB') }}</router-link
      >
    </li>
    <li v-if="isThere && !count" class="task slate">Nothing now.</li>
  </ul>
</template>

<style scoped>
ul {
  margin: 4px 0 10px;
}

.task {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 32px;
  padding: 2px 14px;
}

.title {
  flex: 1;
}

.place {
  width: 62px;
  font-size: var(--type-note);
  padding-right: 12px;
}
</style>
