<script setup lang="ts">
import type { ConversationRow } from '@/shared/api/client'
import { useMarkKeys } from '@/features/labels'
import { useKeys } from '@/shared/keys/registry'
import LabelWord from '@/ui/LabelWord.vue'
import ListWord from '@/ui/ListWord.vue'
import { LinkButton } from '@/ui/kit'

/** What a conversation bears, and the keys that label it and make it unread again. */
const props = defineProps<{ row: ConversationRow }>()

const { keys, open, list } = useMarkKeys(() => [props.row])
useKeys('Conversation', keys)
</script>

<template>
  <p class="labels">
    <span v-if="row.mailbox" class="slate">{{ row.mailbox }}</span>
    <ListWord v-for="one in row.lists" :key="one.id" :list="one" />
    <LabelWord v-for="one in row.labels" :key="one.id" :label="one" />
    <LinkButton title="F4" @click="open">{{ row.labels.length ? 'Change' : 'Label' }}</LinkButton>
    <LinkButton title="F7" @click="list">{{ row.lists.length ? 'Other lists' : 'Into a list' }}</LinkButton>
  </p>
</template>

<style scoped>
.labels {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: baseline;
  margin: 0 0 10px;
  font-size: var(--type-note);
}
</style>
