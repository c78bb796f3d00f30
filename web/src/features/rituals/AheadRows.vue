<script setup lang="ts">
import { day as dayText } from '@/shared/time/format'
import { shortSpan } from '@/shared/time/span'
import type { LookBack } from '@/shared/api/client'

/** The days that come: what is promised of the hours that are there. */
defineProps<{ days: LookBack['ahead'] }>()
</script>

<template>
  <ul>
    <li v-for="one in days" :key="one.date" :class="{ over: one.promised > one.there }">
      <router-link class="plain name" :to="{ name: 'agenda', query: { day: one.date } }">{{
        dayText(one.date)
      }}</router-link>
      <span class="bar" aria-hidden="true"
        ><i :style="{ width: `${Math.min(1, one.promised / Math.max(1, one.there)) * 100}%` }"
      /></span>
      <span class="slate">
        <template v-if="one.there || one.promised"
          >{{ shortSpan(one.promised) }} of {{ one.there ? shortSpan(one.there) : 'none'
          }}<b v-if="one.promised > one.there">, {{ shortSpan(one.promised - one.there) }} over</b></template
        >
        <template v-else>free</template>
      </span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  padding: 0;
  margin: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 100px minmax(60px, 1fr) 190px;
  gap: 14px;
  align-items: center;
  padding: 3px 0;
}

.name {
  color: inherit;
}

.bar {
  display: block;
  height: 7px;
  overflow: hidden;
  background: var(--v-edge);
  border-radius: 4px;
}

.bar i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
}

.over .bar i {
  background: rgb(var(--v-theme-error));
}

.over b {
  color: rgb(var(--v-theme-error));
}

@media (max-width: 760px) {
  li {
    grid-template-columns: 84px minmax(0, 1fr);
  }

  .bar {
    display: none;
  }
}
</style>
