<script setup lang="ts">
import type { ConversationRow } from '@/shared/api/client'
import { type CardKind } from '@/features/decide'
import { LinkButton } from '@/ui/kit'

/** A conversation that comes back again and again: the four answers are offered once more. */
defineProps<{ row: ConversationRow }>()
defineEmits<{ answer: [kind: CardKind] }>()

const ANSWERS: { kind: CardKind; text: string }[] = [
  { kind: 'archive', text: 'Let it go: archive' },
  { kind: 'do_now', text: 'Do it now' },
  { kind: 'make_task', text: 'Make a task' },
  { kind: 'hand_over', text: 'Hand it over' },
]
</script>

<template>
  <div class="often" role="note">
    <p>
      <strong v-if="row.tooOften === 'snoozed'">You have put this off {{ row.snoozes }} times.</strong>
      <strong v-else>You have looked at this {{ row.touches }} times without deciding.</strong>
      What would settle it?
    </p>
    <p class="answers">
      <LinkButton v-for="{ kind, text } in ANSWERS" :key="kind" @click="$emit('answer', kind)">
        {{ text }}
      </LinkButton>
    </p>
  </div>
</template>

<style scoped>
.often {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  justify-content: space-between;
  padding: 10px 18px;
  margin-bottom: 10px;
  font-size: var(--type-note);
  color: var(--v-tab-soon-ink);
  background: var(--v-tab-soon);
  border-radius: 9px;
}

p {
  margin: 0;
}

.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}

.link {
  color: inherit;
  text-decoration: underline;
}
</style>
