<script setup lang="ts">
import { computed } from 'vue'
import type { Conversation } from '@/shared/api/client'

/** What letters of it asked for at mail-in addresses, what was made of that, and what was not understood. */
const props = defineProps<{ conversation: Conversation }>()
const said = computed(() => props.conversation.byMail.filter(({ state }) => state !== 'wanted'))
</script>

<template>
  <div v-for="(made, index) in said" :key="index" class="strip" role="note">
    <p v-if="made.did">
      Asked by mail: <b>{{ made.did }}.</b>{{ ' ' }}
      <router-link v-if="made.task" class="link" :to="`/tasks/${made.task}`">Open the task</router-link>
    </p>
    <p v-else>Asked by mail, and <b>nothing was made of it.</b></p>
    <p v-for="trouble in made.troubles" :key="trouble" class="trouble">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.strip {
  margin-bottom: 10px;
  padding: 8px 14px;
  font-size: var(--type-note);
  border: 1px solid var(--v-edge);
  border-left: 4px solid rgb(var(--v-theme-primary));
  border-radius: 8px;
}

p {
  margin: 0;
  overflow-wrap: anywhere;
}

.trouble {
  color: rgb(var(--v-theme-warning));
}
</style>
