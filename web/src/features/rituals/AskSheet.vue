<script setup lang="ts">
import { computed } from 'vue'
import type { DayAsk } from '@/shared/api/client'
import { dueTab, dueText } from '@/shared/time/due'
import { moment, today } from '@/shared/time/format'
import { shortSpan } from '@/shared/time/span'
import { TaskSources, useTask } from '@/features/tasks'
import IndexTab from '@/ui/IndexTab.vue'
import MarkdownText from '@/ui/MarkdownText.vue'
import { titleOf, whyOf } from './asks'

/** What is asked about, as far as one has to know it. */
const props = defineProps<{ ask: DayAsk; keystone: string | null; left: number }>()
const task = computed(() => props.ask.task)
const { data: full } = useTask(() => props.ask.task?.id ?? '')
const tab = computed(() => (task.value?.due ? dueTab(task.value.due, task.value.over) : null))
const link = computed(() =>
  task.value
    ? { name: 'tasks', params: { id: task.value.id } }
    : props.ask.conversation
      ? { name: 'conversation', params: { id: props.ask.conversation.id } }
      : { name: 'owed' },
)
const facts = computed(() =>
  [
    task.value?.list.name ?? props.ask.conversation?.who ?? '',
    props.ask.minutes ? `takes ${shortSpan(props.ask.minutes)}` : '',
    task.value?.start && props.ask.why === 'began' ? `began ${dueText(task.value.start)}` : '',
    props.ask.owed ? `until ${moment(props.ask.owed.until)}` : '',
    task.value?.priority === 'high' ? 'high priority' : '',
  ].filter(Boolean),
)
</script>

<template>
  <section class="pile" :style="{ '--edges': Math.min(left - 1, 4) }" aria-live="polite">
    <article class="sheet ask">
      <p class="why">{{ whyOf(ask, today()) }}</p>
      <div class="head">
        <h2>{{ titleOf(ask) }}</h2>
        <IndexTab v-if="tab" :near="tab.near">{{ tab.text }}</IndexTab>
      </div>
      <p class="slate facts">{{ facts.join(' · ') }}</p>
      <p v-if="ask.conversation?.excerpt" class="excerpt">{{ ask.conversation.excerpt }}</p>
      <p v-if="task && keystone === task.id" class="stone">The keystone of today</p>
      <MarkdownText v-if="full?.notes" :text="full.notes" />
      <router-link class="link" :to="link">{{ ask.owed ? 'All that is owed' : 'Open it' }}</router-link>
      <TaskSources v-if="full" :task="full" />
    </article>
  </section>
</template>

<style scoped>
.pile {
  padding-bottom: calc(6px * var(--edges));
}

.ask {
  position: relative;
  padding: 26px 28px;
  box-shadow:
    0 calc(6px * min(1, var(--edges))) 0 -1px var(--v-rim),
    0 calc(12px * min(1, max(0, var(--edges) - 1))) 0 -2px var(--v-edge);
}

p {
  margin: 0 0 8px;
}

.why {
  font-size: var(--type-note);
  color: rgb(var(--v-theme-warning));
  font-weight: 550;
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 16px;
  margin-right: -28px;
}

h2 {
  margin: 0 0 6px;
  font-size: var(--type-head);
  font-weight: 650;
  line-height: 1.3;
  overflow-wrap: anywhere;
}

.facts {
  font-size: var(--type-note);
}

.excerpt {
  max-width: 70ch;
}

.stone {
  font-weight: 600;
  color: rgb(var(--v-theme-primary));
}
</style>
