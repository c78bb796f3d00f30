<script setup lang="ts">
import { computed } from 'vue'
import type { Conversation } from '@/shared/api/client'
import { moment } from '@/shared/time/format'
import { deed } from '@/shared/words'

/** What became of a conversation before, and the tasks that came from it. */
const props = defineProps<{ conversation: Conversation }>()

const history = computed(() =>
  props.conversation.history.filter(({ undoneBy, undoes }) => !undoneBy && !undoes),
)
</script>

<template>
  <section v-if="conversation.tasks.length" class="aside">
    <h2>Tasks from it</h2>
    <ul>
      <li v-for="task in conversation.tasks" :key="task.id">
        <router-link class="link" :to="{ name: 'tasks', params: { id: task.id } }">{{
          task.title
        }}</router-link>
        <span v-if="task.done" class="slate"> done</span>
      </li>
    </ul>
  </section>
  <section v-if="history.length" class="aside">
    <h2>Decided before</h2>
    <ul>
      <li v-for="entry in history" :key="entry.id">
        {{ deed(entry) }}<template v-if="entry.consequence">, {{ entry.consequence }}</template>
        <span class="slate at">{{ moment(entry.at) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.aside {
  margin-top: 22px;
  font-size: var(--type-note);
}

h2 {
  font-size: var(--type-note);
  color: var(--v-slate);
  font-weight: 600;
  margin: 0 0 6px;
}

ul {
  display: grid;
  gap: 4px;
}

.at {
  margin-left: 6px;
}

.link {
  font-size: var(--type-note);
}
</style>
