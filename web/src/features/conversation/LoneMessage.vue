<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { ConversationRow, Message, TaskLink } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import MessageSheet from './MessageSheet.vue'
import { placeText } from '@/shared/places'

/** A message alone, and where its conversation is now. */
defineProps<{ message: Message; conversation: ConversationRow; tasks: TaskLink[] }>()

const router = useRouter()

useKeys('Message', [{ key: 'Escape', label: 'Back', run: () => router.back() }])
</script>

<template>
  <div class="sheet lone">
    <h1>{{ message.subject || 'no subject' }}</h1>
    <p class="slate where">
      Its conversation is {{ placeText(conversation) }}.
      <router-link class="link" :to="{ name: 'conversation', params: { id: conversation.id } }"
        >Open the conversation</router-link
      >
    </p>
    <p v-if="tasks.length" class="slate tasks">
      {{ tasks.length === 1 ? 'Its task:' : 'Its tasks:' }}
      <router-link
        v-for="task in tasks"
        :key="task.id"
        class="link"
        :to="{ name: 'tasks', params: { id: task.id } }"
        >{{ task.title }}{{ task.done ? ', done' : '' }}</router-link
      >
    </p>
    <MessageSheet :message="message" />
  </div>
</template>

<style scoped>
.lone {
  max-width: 860px;
  margin: 0 auto;
  padding: 32px 56px 40px;
}

h1 {
  overflow-wrap: anywhere;
}

.tasks {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  margin: -12px 0 18px;
  font-size: var(--type-note);
}

.where {
  margin: 4px 0 18px;
  font-size: var(--type-note);
}

@media (max-width: 760px) {
  .lone {
    padding: 20px 16px 28px;
  }
}
</style>
