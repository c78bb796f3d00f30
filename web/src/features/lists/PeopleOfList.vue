<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import type { TaskList } from '@/shared/api/client'
import { answer, api } from '@/shared/api/client'
import { age, dateOf, day, nearness } from '@/shared/time/format'
import { counted } from '@/shared/words'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import IndexTab from '@/ui/IndexTab.vue'
import LoadingRows from '@/ui/LoadingRows.vue'

/** Who is in a list, and who owes what. */
const props = defineProps<{ list: TaskList }>()

const { data, error, refetch } = useQuery({
  queryKey: ['list-people', () => props.list.id],
  queryFn: ({ signal }) =>
    answer(api.GET('/lists/{id}/people', { signal, params: { path: { id: props.list.id } } })),
})
</script>

<template>
  <section aria-label="People">
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!data.length" title="Nobody is in this list yet">
      Who writes in the conversations of {{ list.name }} stands here, with what they owe you.
    </EmptyState>
    <ul v-else class="sheet">
      <li v-for="person in data" :key="person.email || person.name">
        <div class="who">
          <router-link
            v-if="person.email"
            class="plain name"
            :to="{ name: 'person', params: { email: person.email } }"
            >{{ person.name || person.email }}</router-link
          >
          <span v-else class="name">{{ person.name }}</span>
          <span class="slate">{{ person.name ? person.email : '' }}</span>
        </div>
        <div class="owes">
          <p v-for="owed in person.owes" :key="owed.id">
            <router-link class="link" :to="{ name: 'conversation', params: { id: owed.conversation } }"
              >owes you {{ owed.what || 'an answer' }}</router-link
            >
            <IndexTab :near="nearness(dateOf(owed.until))">{{ day(dateOf(owed.until)) }}</IndexTab>
          </p>
          <p v-if="person.waiting" class="waits">
            {{ person.waiting === 1 ? 'one letter waits for you' : `${person.waiting} letters wait for you` }}
          </p>
        </div>
        <span class="slate count"
          >{{ counted(person.messages, 'message')
          }}<template v-if="person.latestAt">, last {{ age(person.latestAt) }}</template></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 170px;
  gap: 14px;
  align-items: center;
  padding: 8px 14px;
}

li + li {
  border-top: 1px solid var(--v-edge);
}

.who {
  display: grid;
  overflow-wrap: anywhere;
}

.who span.slate,
.count,
.owes {
  font-size: var(--type-note);
}

.name {
  justify-self: start;
  font-weight: 550;
}

.owes p {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 0;
}

.waits {
  color: rgb(var(--v-theme-warning));
}

.count {
  text-align: right;
}

@media (max-width: 760px) {
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }

  .count {
    text-align: left;
  }
}
</style>
