<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Message } from '@/shared/api/client'
import { useCover } from '@/shared/keys/registry'
import { LinkButton, TextInput } from '@/ui/kit'

/** The lasting addresses of a message, to be pasted anywhere: within the program, and of RFC 2392. */
const props = defineProps<{ message: Pick<Message, 'id' | 'messageHeader'> }>()

const addresses = computed(() => [
  {
    name: 'For a browser',
    note: 'opens the message here, also after it has been moved',
    text: `${location.origin}/m/${encodeURIComponent(props.message.messageHeader || props.message.id)}`,
  },
  ...(props.message.messageHeader
    ? [
        {
          name: 'For other mail programs',
          note: 'the address that every program knows it by (mid:)',
          text: `mid:${encodeURIComponent(props.message.messageHeader).replace(/%40/g, '@')}`,
        },
      ]
    : []),
])
const open = ref(false)
useCover(open, () => (open.value = false))
const copied = ref('')
const failed = ref('')

async function copy(text: string): Promise<void> {
  copied.value = ''
  try {
    await navigator.clipboard.writeText(text)
    copied.value = text
    setTimeout(() => (copied.value = ''), 4000)
  } catch {
    // Not every place lets a page write to the clipboard; then it can be taken by hand.
    failed.value = text
  }
}
</script>

<template>
  <span class="addresses">
    <v-menu v-model="open">
      <template #activator="{ props: menu }">
        <LinkButton v-bind="menu">{{ copied ? 'Copied' : 'Copy address' }}</LinkButton>
      </template>
      <v-list>
        <v-list-item
          v-for="{ name, note, text } in addresses"
          :key="name"
          :title="name"
          :subtitle="note"
          @click="copy(text)"
        />
      </v-list>
    </v-menu>
    <TextInput
      v-if="failed"
      :model-value="failed"
      readonly
      aria-label="Address"
      @focus="($event.target as HTMLInputElement).select()"
    />
  </span>
</template>

<style scoped>
.addresses {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}

input {
  width: 260px;
  font: inherit;
  font-size: var(--type-small);
}
</style>
