<script setup lang="ts">
import type { OutgoingRow } from '@/shared/api/client'
import { nearMoment } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import { LinkButton } from '@/ui/kit'

/** An answer that was begun and not sent. */
defineProps<{ drafts: OutgoingRow[] }>()
defineEmits<{ open: [id: string] }>()
</script>

<template>
  <p v-for="(draft, index) in drafts" :key="draft.id" class="draft">
    You began {{ draft.kind === 'forward' ? 'a forward' : 'an answer'
    }}{{ draft.to ? ` to ${draft.to}` : '' }}, {{ nearMoment(draft.changedAt) }}.
    <LinkButton @click="$emit('open', draft.id)">
      Go on writing <KeyCap v-if="index === 0" name="0" />
    </LinkButton>
  </p>
</template>

<style scoped>
.draft {
  margin: 12px 0 0;
  padding: 8px 14px;
  font-size: var(--type-text);
  background: rgb(var(--v-theme-surface));
  border: 1px dashed var(--v-edge);
  border-radius: 8px;
}
</style>
