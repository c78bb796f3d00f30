<script setup lang="ts">
import type { Outgoing } from '@/shared/api/client'
import { LinkButton } from '@/ui/kit'

/** What keeps a letter from going out as it is, and what can be done about it. */
defineProps<{ misgivings: string[]; wrong: string | undefined; elsewhere: Outgoing | null }>()
defineEmits<{ despite: []; mine: []; theirs: [] }>()
</script>

<template>
  <div v-if="elsewhere" class="trouble" role="alert">
    <p>
      {{
        elsewhere.row.state === 'draft'
          ? 'This draft was changed in another window. What you typed here is still here.'
          : 'This draft was sent in another window.'
      }}
    </p>
    <LinkButton v-if="elsewhere.row.state === 'draft'" @click="$emit('mine')"> Keep what is here </LinkButton>
    <LinkButton @click="$emit('theirs')">Show what is there</LinkButton>
  </div>
  <div v-else-if="misgivings.length" class="trouble" role="alert">
    <p v-for="one in misgivings" :key="one">{{ one }}</p>
    <LinkButton @click="$emit('despite')">Send it all the same</LinkButton>
  </div>
  <div v-else-if="wrong" class="trouble" role="alert">
    <p>{{ wrong }}</p>
  </div>
</template>

<style scoped>
.trouble {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  margin: 8px 0;
  padding: 8px 14px;
  background: var(--v-brass-soft, transparent);
  border-left: 4px solid rgb(var(--v-theme-warning));
}

p {
  width: 100%;
  margin: 0;
}
</style>
