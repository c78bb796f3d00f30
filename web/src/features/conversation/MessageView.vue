<script setup lang="ts">
import { computed } from 'vue'
import { Problem } from '@/shared/api/problem'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import LoneMessage from './LoneMessage.vue'
import { subjectOf } from '@/shared/words'
import { moment } from '@/shared/time/format'
import { useCopies, useMessageAt } from './queries'

/** One message alone: nothing else of the tray is in sight. Of one that is gone, the copies that tasks keep. */
const props = defineProps<{ id: string }>()
const { data, error, refetch } = useMessageAt(() => props.id)
const isGone = computed(() => error.value instanceof Problem && error.value.status === 404)
const { data: copies, error: uncopied } = useCopies(() => props.id, isGone)
</script>

<template>
  <div class="view">
    <LoneMessage v-if="data" :message="data.message" :conversation="data.conversation" :tasks="data.tasks" />
    <FailedState v-else-if="error && (!isGone || uncopied)" :error="error" @again="refetch()" />
    <div v-else-if="copies?.length" class="sheet gone">
      <h1>This message is gone for good</h1>
      <p class="slate">What tasks keep of it is still here:</p>
      <ul>
        <li v-for="copy in copies" :key="copy.id">
          <router-link class="link" :to="{ name: 'source', params: { id: copy.id } }"
            >The copy of “{{ subjectOf(copy) }}”</router-link
          >
          <span class="slate">{{ moment(copy.sentAt) }}</span>
          <span v-for="task in copy.tasks" :key="task.id" class="slate">
            of the task
            <router-link class="link" :to="{ name: 'tasks', params: { id: task.id } }">{{
              task.title
            }}</router-link>
          </span>
        </li>
      </ul>
    </div>
    <EmptyState v-else-if="copies" title="No message of that address is here">
      It was never brought in, or it belongs to somebody else’s mail; or it was removed for good, and no task
      kept a copy. The address was: {{ id }}
      <template #actions><v-btn variant="outlined" to="/find">Look for it</v-btn></template>
    </EmptyState>
    <LoadingRows v-else />
  </div>
</template>

<style scoped>
.gone {
  max-width: 860px;
  margin: 0 auto;
  padding: 28px 40px;
}

h1 {
  font-size: var(--type-head) !important;
}

ul {
  display: grid;
  gap: 6px;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
</style>
