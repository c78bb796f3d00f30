<script setup lang="ts">
import { useKeys } from '@/shared/keys/registry'
import type { ConversationRow } from '@/shared/api/client'
import { LinkButton } from '@/ui/kit'
import { bandOf } from './bands'
import ImportanceMark from './ImportanceMark.vue'
import { WEIGH, weigh } from './slip'

/** Stands above the cards; how much the conversation matters says why when it is pressed, and can be told that it is wrong. */
const props = defineProps<{ row: ConversationRow }>()

useKeys('Conversation', [
  {
    key: WEIGH,
    label: 'How much does it matter?',
    when: () => !!props.row.advice,
    run: () => weigh(props.row),
  },
])
</script>

<template>
  <div class="head">
    <h2 class="slate">What becomes of it?</h2>
    <LinkButton v-if="row.advice" title="Why, and what if not? (Alt+↑)" @click="weigh(row)">
      <ImportanceMark quiet :importance="row.advice.importance" /> {{ bandOf(row.advice.importance) }}
    </LinkButton>
  </div>
</template>

<style scoped>
.head,
.link {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
}

.head {
  min-height: 30px;
  margin-bottom: 14px;
}

h2 {
  margin: 0;
  font-size: var(--type-note);
  font-weight: 600;
}
</style>
