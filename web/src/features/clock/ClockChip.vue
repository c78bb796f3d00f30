<script setup lang="ts">
import { clockText } from '@/shared/time/span'
import { EVERYWHERE, useKeys } from '@/shared/keys/registry'
import KeyCap from '@/ui/KeyCap.vue'
import { PlainButton } from '@/ui/kit'
import { PAUSE } from './keys'
import { useClock, useSeconds } from './clock'

/** The clock that runs, in the bar of every view. */
const { running, pause } = useClock()
const { stretch } = useSeconds()

useKeys(EVERYWHERE, [
  { key: PAUSE, label: 'Pause the clock', when: () => !!running.value, run: () => void pause() },
])
</script>

<template>
  <span v-if="running" class="clock">
    <router-link
      class="plain what"
      :to="{ name: 'focus', params: { id: running.task } }"
      :title="`The clock runs: ${running.title}`"
    >
      <b role="timer" :aria-label="`On ${running.title}`">{{ clockText(stretch) }}</b>
      <span class="title">{{ running.title }}</span>
    </router-link>
    <PlainButton class="pause" :title="`Pause the clock (${PAUSE})`" @click="pause()">
      Pause <KeyCap :name="PAUSE" />
    </PlainButton>
  </span>
</template>

<style scoped>
.clock {
  display: flex;
  gap: 8px;
  align-items: center;
  max-width: 300px;
  padding: 3px 10px;
  font-size: var(--type-note);
  border: 1px solid rgb(var(--v-theme-primary));
  border-radius: 8px;
  background: var(--v-sea-soft);
}

.what {
  display: flex;
  gap: 8px;
  min-width: 0;
  color: inherit;
}

b {
  font-variant-numeric: tabular-nums;
}

.title {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.pause {
  display: flex;
  gap: 4px;
  flex: none;
  font-size: inherit;
  font-weight: 550;
}

@media (max-width: 960px) {
  .title {
    display: none;
  }
}

@media (max-width: 760px) {
  .clock {
    padding: 3px 6px;
  }
}
</style>
