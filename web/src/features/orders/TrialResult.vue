<script setup lang="ts">
import { computed, ref } from 'vue'
import { age } from '@/shared/time/format'
import { counted, subjectOf } from '@/shared/words'
import { LinkButton } from '@/ui/kit'
import type { useTrial } from './trial'

/** Which mail of the last year an order would have meant, and what it would do with it now. */
const props = defineProps<{ trial: ReturnType<typeof useTrial>; unsound: string }>()
const open = ref(false)
const { found, count, same, seen, state } = props.trial

const sentence = computed(() => {
  if (count.value === 0) return 'It would have matched nothing in the last year.'
  const did = same.value ? `; you did the same with ${same.value}` : ''
  return `It would have matched ${counted(count.value, 'conversation')} in the last year${did}.`
})
</script>

<template>
  <div class="trial" role="status">
    <p v-if="unsound" class="slate">{{ unsound }}</p>
    <p v-else-if="state === 'looking'">
      Looking at the mail of the last year …
      <span class="slate">{{ seen }} looked at, {{ count }} found</span>
    </p>
    <p v-else-if="state === 'done'">
      <b>{{ sentence }}</b>
      <LinkButton v-if="count" :aria-expanded="open" @click="open = !open">{{
        open ? 'Fold' : 'What would happen?'
      }}</LinkButton>
    </p>
    <ul v-if="open && !unsound">
      <li v-for="one in found" :key="one.row.id">
        <span class="who">{{ one.row.who }}</span>
        <span class="what">{{ subjectOf(one.row) }}</span>
        <span class="slate">{{ age(one.row.latestAt) }}</span>
        <span class="slate does">{{
          one.steps.map(({ text, refused }) => (refused ? `not possible: ${text}` : text)).join('; ') ||
          'nothing: it is decided already'
        }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.trial {
  padding: 8px 12px;
  background: var(--v-sea-soft);
  border-radius: 8px;
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  margin: 0;
}

ul {
  max-height: 200px;
  margin-top: 6px;
  overflow-y: auto;
  font-size: var(--type-note);
}

li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) 44px;
  gap: 0 10px;
  padding: 3px 0;
}

.who,
.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.does {
  grid-column: 2 / -1;
}
</style>
