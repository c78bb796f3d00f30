<script setup lang="ts">
import { computed } from 'vue'
import { size } from '@/time/format'
import type { Upload } from '@/views/ImportView.vue'
import { counted } from './words'

/** One file that is being brought in: how far it is, and what became of it. */
const props = defineProps<{ upload: Upload }>()
defineEmits<{ again: [] }>()

const says = computed(() => {
  const { state, outcome, sentence } = props.upload
  if (state === 'waiting') return 'waits'
  if (state === 'sending') return 'is being sent'
  if (state === 'reading') return 'is being read'
  if (state === 'failed' || !outcome) return sentence
  const known = outcome.known ? `, ${outcome.known} known already` : ''
  const refused = outcome.refused.length ? `, ${outcome.refused.length} could not be read` : ''
  return `${counted(outcome.new, 'new message')}${known}${refused}`
})
</script>

<template>
  <li class="file">
    <span class="name">{{ upload.file.name }}</span>
    <span class="slate">{{ size(upload.file.size) }}</span>
    <span class="says" :class="{ wrong: upload.state === 'failed' }" role="status">{{ says }}</span>
    <button v-if="upload.state === 'failed'" class="link" type="button" @click="$emit('again')">
      Try again
    </button>
    <v-progress-linear
      v-if="upload.state === 'sending' || upload.state === 'reading'"
      class="bar"
      color="primary"
      height="4"
      rounded
      :indeterminate="upload.state === 'reading'"
      :model-value="upload.share * 100"
      :aria-label="`${upload.file.name} ${says}`"
    />
    <details v-if="upload.outcome?.refused.length" class="refused">
      <summary>What could not be read</summary>
      <p v-for="(one, index) in upload.outcome.refused" :key="index">
        At byte {{ one.position }}: {{ one.error }}
      </p>
    </details>
  </li>
</template>

<style scoped>
.file {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto auto;
  gap: 4px 14px;
  align-items: center;
  padding: 10px 16px;
}

.name {
  font-weight: 550;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.wrong {
  color: rgb(var(--v-theme-error));
  grid-column: 1 / -1;
  order: 5;
}

.bar,
.refused {
  grid-column: 1 / -1;
}

.refused {
  font-size: 14px;
}

.refused p {
  margin: 4px 0 0;
}
</style>
