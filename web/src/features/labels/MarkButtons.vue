<script setup lang="ts">
import { computed } from 'vue'
import type { ConversationRow } from '@/shared/api/client'
import { ALONG, BACK } from '@/shared/steps/along'
import KeyCap from '@/ui/KeyCap.vue'
import { PlainButton } from '@/ui/kit'
import { useMarkKeys } from './markKeys'
import { LABEL, LIST } from './slip'
import { UNREAD } from './unread'

/** What the keys of labels and of unread mail do, for the mouse. */
const props = defineProps<{ rows: ConversationRow[] }>()
const emit = defineEmits<{ folded: [] }>()

const { open, list, turn, move } = useMarkKeys(
  () => props.rows,
  () => emit('folded'),
)
const isStaged = computed(() => props.rows.some(({ lists }) => lists.some(({ staged }) => staged)))
</script>

<template>
  <PlainButton class="mark" @click="open"><KeyCap :name="LABEL" />Label</PlainButton>
  <PlainButton class="mark" @click="list"><KeyCap :name="LIST" />List</PlainButton>
  <PlainButton class="mark" @click="turn">
    <KeyCap :name="UNREAD" />{{ rows.every((row) => !row.unread) ? 'Unread' : 'Read' }}
  </PlainButton>
  <template v-if="isStaged">
    <PlainButton class="mark" @click="move(-1)"><KeyCap :name="BACK" />Stage back</PlainButton>
    <PlainButton class="mark" @click="move(1)"><KeyCap :name="ALONG" />Stage on</PlainButton>
  </template>
</template>

<style scoped>
.mark {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  padding: 3px 9px 3px 4px;
  font-size: var(--type-note);
  color: rgb(var(--v-theme-primary));
  border: 1.5px solid transparent;
}

.mark:hover {
  background: var(--v-sea-soft);
}
</style>
