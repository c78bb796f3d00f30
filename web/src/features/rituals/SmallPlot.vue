<script setup lang="ts">
import { computed } from 'vue'
import { day as dayText } from '@/shared/time/format'
import { heightsOf, type Plot } from './stops'

/** One figure, week by week: a bar for each, this week last. */
const props = defineProps<{ plot: Plot; weeks: string[] }>()
const heights = computed(() => heightsOf(props.plot.values))
const now = computed(() => props.plot.values.at(-1) ?? null)
const before = computed(() => props.plot.values.at(-2) ?? null)
const said = (value: number | null) => (value === null ? 'not known' : props.plot.say(value))
</script>

<template>
  <figure>
    <figcaption>{{ plot.name }}</figcaption>
    <p>
      <b>{{ said(now) }}</b>
      <span v-if="before !== null" class="slate"> the week before {{ said(before) }}</span>
    </p>
    <ol>
      <li
        v-for="(height, index) in heights"
        :key="weeks[index]"
        :class="{ now: index === heights.length - 1 }"
        :title="`Week of ${dayText(weeks[index] ?? '')}: ${said(plot.values[index] ?? null)}`"
      >
        <i aria-hidden="true" :style="{ height: `${(height ?? 0) * 100}%` }" />
        <span class="unseen"
          >Week of {{ dayText(weeks[index] ?? '') }}: {{ said(plot.values[index] ?? null) }}</span
        >
      </li>
    </ol>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  padding: 14px 16px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 9px;
}

figcaption {
  font-size: var(--type-note);
  color: var(--v-slate);
}

p {
  margin: 0 0 8px;
  font-size: var(--type-note);
}

p b {
  margin-right: 6px;
  font-size: var(--type-lead);
}

ol {
  display: flex;
  gap: 3px;
  align-items: flex-end;
  height: 44px;
  padding: 0;
  margin: 0;
  list-style: none;
  border-bottom: 1px solid var(--v-edge);
}

li {
  position: relative;
  display: flex;
  flex: 1;
  align-items: flex-end;
  height: 100%;
  max-width: 22px;
}

i {
  width: 100%;
  background: var(--v-slate);
  opacity: 0.45;
  border-radius: 2px 2px 0 0;
}

.now i {
  background: rgb(var(--v-theme-primary));
  opacity: 1;
}

.unseen {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
