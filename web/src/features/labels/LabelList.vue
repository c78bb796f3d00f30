<script setup lang="ts">
import { ref } from 'vue'
import type { Label } from '@/shared/api/client'
import FailedState from '@/ui/FailedState.vue'
import LabelWord from '@/ui/LabelWord.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton } from '@/ui/kit'
import { counted } from '@/shared/words'
import LabelDialog from './LabelDialog.vue'
import { useLabels } from './queries'

/** All labels, to be made, changed, merged and deleted. */
const { data, error, refetch } = useLabels()
/** The one that is changed; null: a new one. */
const changing = ref<{ label: Label | null } | null>(null)

function borne({ conversations, tasks }: Label): string {
  const parts = [
    conversations ? counted(conversations, 'conversation') : '',
    tasks ? counted(tasks, 'open task') : '',
  ].filter(Boolean)
  return parts.join(', ') || 'on nothing'
}
</script>

<template>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <LoadingRows v-else-if="!data" />
  <template v-else>
    <p v-if="!data.length" class="slate">
      A label is a short word of your own on mail and tasks. <kbd>F4</kbd> puts one on; those that you have
      are listed here.
    </p>
    <ul v-else class="labels">
      <li v-for="one in data" :key="one.id">
        <LabelWord :label="one" />
        <span class="slate">{{ borne(one) }}{{ one.untilDealt ? ', until dealt with' : '' }}</span>
        <LinkButton :aria-label="`Change ${one.name}`" @click="changing = { label: one }">Change</LinkButton>
      </li>
    </ul>
    <LinkButton @click="changing = { label: null }">New label</LinkButton>
    <LabelDialog
      v-if="changing"
      :label="changing.label"
      :others="data.filter(({ id }) => id !== changing?.label?.id)"
      @close="changing = null"
    />
  </template>
</template>

<style scoped>
.labels {
  margin-bottom: 10px;
}

.labels li {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 5px 0;
}

.labels .link {
  margin-left: auto;
}
</style>
