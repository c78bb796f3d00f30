<script setup lang="ts">
/** A stretch of rows that belong to one day: its number big, what day that is small. */
defineProps<{ head: string; sub: string; over?: boolean; plain?: boolean }>()
</script>

<template>
  <section class="stretch" :class="{ plain }">
    <h2 :class="{ over }">
      <span class="big">{{ head }}</span> <small>{{ sub }}</small>
    </h2>
    <slot name="chunks">
      <ul class="rows">
        <slot />
      </ul>
    </slot>
  </section>
</template>

<style scoped>
.stretch {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 10px;
  margin-bottom: 12px;
}

h2 {
  font-size: inherit;
  font-weight: inherit;
  margin: 4px 0 0;
  text-align: right;
}

.big {
  display: block;
  font-size: var(--type-head);
  font-weight: 600;
  line-height: 1.2;
}

small {
  font-size: var(--type-note);
  color: var(--v-slate);
}

.over .big,
.over small {
  color: rgb(var(--v-theme-error));
}

/* a name instead of a day stands above its rows */
.plain {
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
}

.plain h2 {
  text-align: left;
}

.plain .big {
  font-size: var(--type-text);
}

@media (max-width: 760px) {
  .stretch:not(.plain) {
    grid-template-columns: 58px minmax(0, 1fr);
  }
}
</style>
