<script setup lang="ts">
import { useCounts, useIsWorked } from '@/api/heartbeat'
import { counted } from './words'

/** What the person has to know of the work that goes on without the page. */
const isWorked = useIsWorked()
const { data: counts } = useCounts()
</script>

<template>
  <p v-if="!isWorked" class="strip" role="status">
    <span>
      <strong>Nothing works in the background.</strong> What you send waits, no mail is fetched, and new mail
      is not read for advice. What you decide here is kept. Start it with <code>./zippy work</code>, or start
      the program anew.
    </span>
  </p>
  <p v-if="counts?.leftOut" class="strip" role="status">
    <span>
      <strong>{{ counted(counts.leftOut, 'message') }} could not be taken in.</strong>
      {{ counts.leftOut === 1 ? 'It lies' : 'They lie' }} where
      {{ counts.leftOut === 1 ? 'it' : 'they' }} came from.
      <router-link class="link" to="/settings#left-out">Which, and why</router-link>
    </span>
  </p>
</template>

<style scoped>
.strip {
  margin: 0;
  padding: 7px 44px;
  font-size: 14px;
  color: var(--v-tab-near-ink);
  background: var(--v-tab-near);
}

span {
  display: block;
  max-width: 1192px;
  margin: 0 auto;
}

.link {
  color: inherit;
  text-decoration: underline;
}

@media (max-width: 760px) {
  .strip {
    padding: 7px 14px;
  }
}
</style>
