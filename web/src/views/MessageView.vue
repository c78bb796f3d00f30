<script setup lang="ts">
import { useMessageAt } from '@/api/reading'
import FailedState from '@/parts/FailedState.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import LoneMessage from '@/parts/LoneMessage.vue'

/** One message alone: nothing else of the tray is in sight. */
const props = defineProps<{ id: string }>()
const { data, error, refetch } = useMessageAt(() => props.id)
</script>

<template>
  <div class="view">
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <LoneMessage v-else :message="data.message" :conversation="data.conversation" :tasks="data.tasks" />
  </div>
</template>
