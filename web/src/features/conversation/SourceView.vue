<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useKeys } from '@/shared/keys/registry'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import LoneMessage from './LoneMessage.vue'
import MessageText from './MessageText.vue'
import { moment, size } from '@/shared/time/format'
import { useMessage, useSource } from './queries'

/** The source of a task, alone: the message itself, or the task's copy when the mail is gone. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const { data: source, error, refetch } = useSource(() => props.id)
const messageId = computed(() => source.value?.message ?? '')
const { data: found } = useMessage(messageId, () => messageId.value !== '')

useKeys('Source', [{ key: 'Escape', label: 'Back', run: () => router.back() }])
</script>

<template>
  <div class="view">
    <FailedState v-if="error && !source" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!source || (source.message && !found)" />
    <LoneMessage
      v-else-if="found && source.message"
      :message="found.message"
      :conversation="found.conversation"
      :tasks="found.tasks"
    />
    <div v-else class="sheet copy">
      <p class="note">The mail itself is gone for good. This is the copy that the task keeps.</p>
      <h1>{{ source.subject || 'no subject' }}</h1>
      <p class="slate">
        <strong>{{ source.from.name || source.from.email }}</strong>
        {{ source.from.name ? source.from.email : '' }} · to
        {{ source.to.map(({ name, email }) => name || email).join(', ') || 'nobody named' }} ·
        {{ moment(source.sentAt) }}
      </p>
      <MessageText :text="source.text" />
      <details v-if="source.headers">
        <summary class="link">Its headers</summary>
        <pre>{{ source.headers }}</pre>
      </details>
      <p v-if="source.attachments.length" class="slate">
        Was attached: {{ source.attachments.map((file) => `${file.name} (${size(file.size)})`).join(', ') }}
      </p>
    </div>
  </div>
</template>

<style scoped>
pre {
  overflow-x: auto;
  font-size: var(--type-small);
}

.copy {
  max-width: 860px;
  margin: 0 auto;
  padding: 32px 56px 40px;
}

.note {
  margin: 0 0 16px;
  padding: 8px 14px;
  border-left: 5px solid rgb(var(--v-theme-warning));
  background: var(--v-tab-soon);
  color: var(--v-tab-soon-ink);
  border-radius: 6px;
}

h1 {
  overflow-wrap: anywhere;
}

@media (max-width: 760px) {
  pre {
    overflow-x: auto;
    font-size: var(--type-small);
  }

  .copy {
    padding: 20px 16px 28px;
  }
}
</style>
