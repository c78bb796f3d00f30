<script setup lang="ts">
import { refAutoReset } from '@vueuse/core'
import { watch } from 'vue'
import { isReachable, useCounts, useIsWorked } from '@/shared/api/heartbeat'
import { counted } from '@/shared/words'

/** What the person has to know of the work that goes on without the page. */
const isWorked = useIsWorked()
const { data: counts } = useCounts()
const isBack = refAutoReset(false, 8_000)
watch(isReachable, (now) => (isBack.value = now))
</script>

<template>
  <p v-if="!isReachable" class="strip" role="alert">
    <span>
      <strong>The server does not answer.</strong> What is on screen may be old, and nothing can be decided
      until it does. What you type stays here. The page looks for it every three seconds.
    </span>
  </p>
  <p v-else-if="isBack" class="strip back" role="status">
    <span><strong>The server answers again.</strong> What is on screen is as it is there.</span>
  </p>
  <p v-else-if="!isWorked" class="strip" role="status">
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
  font-size: var(--type-note);
  color: var(--v-tab-near-ink);
  background: var(--v-tab-near);
}

.back {
  color: inherit;
  background: var(--v-sea-soft);
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
