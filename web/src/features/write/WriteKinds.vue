<script setup lang="ts">
import type { AnswerKind } from '@/shared/api/client'
import { PlainButton } from '@/ui/kit'

/** To whom an answer goes: it can be another kind at any time. */
defineProps<{ kind: AnswerKind }>()
defineEmits<{ choose: [kind: AnswerKind] }>()

const KINDS: { kind: AnswerKind; text: string }[] = [
  { kind: 'reply', text: 'Reply' },
  { kind: 'reply_all', text: 'Reply to all' },
  { kind: 'forward', text: 'Forward' },
]
</script>

<template>
  <span class="kinds" role="group" aria-label="Kind of answer">
    <PlainButton
      v-for="one in KINDS"
      :key="one.kind"
      :aria-pressed="kind === one.kind"
      @click="$emit('choose', one.kind)"
    >
      {{ one.text }}
    </PlainButton>
  </span>
</template>

<style scoped>
.kinds {
  display: flex;
  gap: 2px;
}

.kinds button {
  padding: 3px 11px;
  font-size: var(--type-note);
  color: var(--v-slate);
  border-bottom: 2px solid transparent;
}

.kinds button[aria-pressed='true'] {
  font-weight: 600;
  color: rgb(var(--v-theme-on-surface));
  border-bottom-color: rgb(var(--v-theme-primary));
}
</style>
