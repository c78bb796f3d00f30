<script setup lang="ts">
import { computed } from 'vue'
import type { FindSort } from '@/shared/api/client'
import { useCompleting } from '@/features/tasks'
import { dueTab } from '@/shared/time/due'
import { dateOf, day, time } from '@/shared/time/format'
import { counted, deed, object } from '@/shared/words'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import IndexTab from '@/ui/IndexTab.vue'
import ListWord from '@/ui/ListWord.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { TickBox } from '@/ui/kit'
import { useSelection } from '@/shared/selection'
import { useKeys } from '@/shared/keys/registry'
import HitText from './HitText.vue'
import { useThings } from './queries'

/** What was found besides mail, of one sort. */
const props = defineProps<{ words: string; sort: FindSort }>()

const { data, error, refetch } = useThings(
  () => props.words,
  () => props.sort,
)
const { check } = useCompleting()
const rows = computed((): { id: string }[] => {
  if (!data.value) return []
  switch (props.sort) {
    case 'task':
      return data.value.tasks
    case 'reference':
      return data.value.references
    case 'note':
      return data.value.notes
    case 'event':
      return data.value.events
    case 'person':
      return data.value.people.map((person) => ({ id: person.email }))
    default:
      return data.value.entries
  }
})
const { current, currentId, moving, goTo } = useSelection(rows, 'data-thing', 'found-things')
useKeys('Found', moving)
const left = computed(() =>
  props.sort === 'mail' ? 0 : (data.value?.counts[props.sort] ?? 0) - rows.value.length,
)
const at = (id: string) => (current.value = rows.value.findIndex((row) => row.id === id))
defineExpose({ first: () => goTo(0) })
</script>

<template>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <LoadingRows v-else-if="!data" />
  <EmptyState v-else-if="!rows.length" title="Nothing found">
    Nothing of this sort is like that. Some refinements ask of mail alone, or of tasks alone.
  </EmptyState>
  <ul v-else class="sheet rows">
    <template v-if="sort === 'task'">
      <li v-for="task in data.tasks" :key="task.id" :class="{ current: task.id === currentId }">
        <TickBox
          :model-value="!!task.completedAt"
          :aria-label="`${task.completedAt ? 'Open again' : 'Complete'}: ${task.title}`"
          tabindex="-1"
          @click.prevent="check(task)"
        />
        <router-link
          class="plain what"
          :class="{ done: task.completedAt }"
          :to="{ name: 'tasks', params: { id: task.id } }"
          :data-thing="task.id"
          @focus="at(task.id)"
          ><b>{{ task.title }}</b
          ><span v-if="data.hits[task.id]" class="slate"> · <HitText :hit="data.hits[task.id] ?? ''" /></span
        ></router-link>
        <ListWord class="slate" :list="task.list" />
        <IndexTab v-if="task.due && !task.completedAt" :near="dueTab(task.due, task.over).near">{{
          dueTab(task.due, task.over).text
        }}</IndexTab>
      </li>
    </template>
    <template v-else-if="sort === 'reference'">
      <li v-for="one in data.references" :key="one.id" :class="{ current: one.id === currentId }">
        <router-link
          class="plain what"
          :to="{ name: 'list', params: { id: one.list.id, view: 'look-up' } }"
          :data-thing="one.id"
          @focus="at(one.id)"
          ><b>{{ one.title }}</b
          ><span v-if="data.hits[one.id]" class="slate"> · <HitText :hit="data.hits[one.id] ?? ''" /></span
        ></router-link>
        <ListWord class="slate" :list="one.list" />
      </li>
    </template>
    <template v-else-if="sort === 'note'">
      <li v-for="list in data.notes" :key="list.id" :class="{ current: list.id === currentId }">
        <router-link
          class="plain what"
          :to="{ name: 'list', params: { id: list.id, view: 'look-up' } }"
          :data-thing="list.id"
          @focus="at(list.id)"
          ><b>Note of {{ list.name }}</b
          ><span v-if="data.hits[list.id]" class="slate"> · <HitText :hit="data.hits[list.id] ?? ''" /></span
        ></router-link>
      </li>
    </template>
    <template v-else-if="sort === 'event'">
      <li v-for="event in data.events" :key="event.id" :class="{ current: event.id === currentId }">
        <router-link
          class="plain what"
          :to="{ name: 'agenda', query: { from: event.day } }"
          :data-thing="event.id"
          @focus="at(event.id)"
          ><b>{{ event.title }}</b
          ><span v-if="data.hits[event.id]" class="slate">
            · <HitText :hit="data.hits[event.id] ?? ''" /></span
        ></router-link>
        <span class="slate">{{ day(event.day) }}</span>
      </li>
    </template>
    <template v-else-if="sort === 'person'">
      <li v-for="person in data.people" :key="person.email" :class="{ current: person.email === currentId }">
        <router-link
          class="plain what"
          :to="{ name: 'person', params: { email: person.email } }"
          :data-thing="person.email"
          @focus="at(person.email)"
          ><b>{{ person.name || person.email }}</b> <span class="slate">{{ person.email }}</span></router-link
        >
        <span class="slate">{{ counted(person.received, 'message') }}</span>
      </li>
    </template>
    <template v-else>
      <li v-for="entry in data.entries" :key="entry.id" :class="{ current: entry.id === currentId }">
        <span class="slate">{{ day(dateOf(entry.at)) }}, {{ time(entry.at) }}</span>
        <span
          class="what"
          :class="{ done: entry.undoneBy }"
          tabindex="0"
          :data-thing="entry.id"
          @focus="at(entry.id)"
          >{{ deed(entry) }}: <b>{{ object(entry) }}</b>
          <span class="slate">{{ entry.consequence }}</span></span
        >
      </li>
    </template>
  </ul>
  <p v-if="left > 0" class="slate">{{ left }} more are not shown. More words find fewer.</p>
</template>

<style scoped>
li {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 34px;
  padding: 3px 14px;
}

li + li {
  border-top: 1px solid var(--v-edge);
}

.current {
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}

.what {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

b {
  font-weight: 550;
}

.done {
  text-decoration: line-through;
}
</style>
