<script setup lang="ts">
import { ref } from 'vue'
import { answer, api } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import TextLines from './TextLines.vue'

/** What follows in a long text, a piece at a time. */
const props = defineProps<{ message: string; next: number }>()

const pieces = ref<{ text: string; from: number }[]>([])
const next = ref<number | null>(props.next)
const busy = ref(false)

async function more(): Promise<void> {
  const from = next.value
  if (from === null || busy.value) return
  busy.value = true
  await attempt(async () => {
    const piece = await answer(
      api.GET('/messages/{id}/text', { params: { path: { id: props.message }, query: { from } } }),
    )
    pieces.value = [...pieces.value, { text: piece.text, from }]
    next.value = piece.next
  })
  busy.value = false
}
</script>

<template>
  <TextLines v-for="piece in pieces" :key="piece.from" :text="piece.text" :from="piece.from" />
  <p v-if="next !== null" class="more">
    <v-btn variant="outlined" size="small" :loading="busy" @click="more">Show more</v-btn>
    <span class="slate">The message is long; this is its beginning.</span>
  </p>
</template>

<style scoped>
.more {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 12px 0 0;
  font-size: var(--type-note);
}
</style>
