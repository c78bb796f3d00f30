<script setup lang="ts">
import type { components } from '@/shared/api/contract'
import { moment } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'

/** What a task keeps of the message that it came from. */
defineProps<{ source: components['schemas']['SourceCopy'] }>()

const beginning = (text: string) => text.replace(/\s+/g, ' ').slice(0, 260)
</script>

<template>
  <section class="source" aria-label="Source">
    <p class="head">
      <span>Source: {{ source.from.name || source.from.email }}, {{ moment(source.sentAt) }}</span>
      <router-link class="link" :to="{ name: 'source', params: { id: source.id } }"
        >Open alone <KeyCap name="Ctrl+Enter"
      /></router-link>
    </p>
    <p class="subject">{{ source.subject || 'no subject' }}</p>
    <p class="text">{{ beginning(source.text) }}{{ source.text.length > 260 ? ' …' : '' }}</p>
    <p v-if="!source.message" class="slate gone">
      The mail itself is gone for good; this copy stays with the task.
    </p>
  </section>
</template>

<style scoped>
.source {
  margin-top: 20px;
  padding: 12px 18px 14px;
  border: 1px solid var(--v-edge);
  border-left: 5px solid rgb(var(--v-theme-warning));
  border-radius: 9px;
  background: rgb(from rgb(var(--v-theme-background)) r g b / 45%);
}

p {
  margin: 0;
}

.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 12px;
  font-size: var(--type-note);
  font-weight: 550;
  color: rgb(var(--v-theme-warning));
}

.subject {
  font-weight: 600;
  margin: 8px 0 4px;
}

.text {
  font-size: var(--type-text);
  overflow-wrap: anywhere;
}

.gone {
  margin-top: 8px;
  font-size: var(--type-note);
}
</style>
