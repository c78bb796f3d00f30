<script setup lang="ts">
import type { Owed } from '@/api/client'
import { nearDay, dateOf, nearMoment } from '@/time/format'

/** Who owes an answer in a conversation, and who has given it. */
defineProps<{ owed: Owed[] }>()

const said = ({ state, over, until, settledAt, automaticAt }: Owed): string => {
  const when = settledAt ? nearDay(dateOf(settledAt)) : ''
  if (state === 'answered') return `answered ${when}`
  if (state === 'undelivered') return `your message did not arrive, ${when}`
  if (state === 'dropped') return 'not expected any more'
  const auto = automaticAt ? `; an automatic answer came ${nearDay(dateOf(automaticAt))}` : ''
  return (over ? `should have answered ${nearMoment(until)}` : `has until ${nearMoment(until)}`) + auto
}
</script>

<template>
  <section v-if="owed.length" class="aside">
    <h2>Owed to you</h2>
    <ul>
      <li v-for="one in owed" :key="one.id">
        <b>{{ one.person.name || one.person.email }}</b> {{ said(one)
        }}<template v-if="one.what">: {{ one.what }}</template>
        <router-link
          v-if="one.state === 'open' && one.over && one.person.email"
          class="link"
          :to="{ name: 'write', query: { owed: one.id } }"
          >Ask again</router-link
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.aside {
  margin-top: 22px;
  font-size: 14.5px;
}

h2 {
  margin: 0 0 6px;
  font-size: 14px;
  font-weight: 600;
  color: var(--v-slate);
}

ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}

b {
  font-weight: 600;
}
</style>
