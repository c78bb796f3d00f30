<script setup lang="ts">
import { computed } from 'vue'
import { size } from '@/shared/time/format'
import { readOf, type Upload } from './uploads'
import { counted, lasting } from '@/shared/words'
import { LinkButton } from '@/ui/kit'

/** One file that is being brought in: how far it is, and what became of it. */
const props = defineProps<{ upload: Upload }>()
defineEmits<{ again: []; stop: [] }>()

const isGoing = computed(() => ['sending', 'reading'].includes(props.upload.state))
const share = computed(() =>
  props.upload.state === 'sending'
    ? props.upload.sent
    : props.upload.position / Math.max(1, props.upload.file.size),
)
const became = computed(() => {
  const { new: fresh, known, refused } = props.upload
  return [
    counted(fresh, 'new message'),
    known ? `${known} known already` : '',
    refused.length ? `${refused.length} could not be read` : '',
  ]
    .filter(Boolean)
    .join(', ')
})
const says = computed(() => {
  const { upload } = props
  const read = readOf(upload)
  if (upload.state === 'waiting') return 'waits'
  if (upload.state === 'sending') return 'is being sent'
  if (upload.state === 'reading') {
    if (!read) return 'is being read'
    const rate = upload.rate ? `, ${Math.round(upload.rate)} a second` : ''
    const left = upload.left === null ? '' : `, ${lasting(upload.left)} left`
    return `${counted(read, 'message')} read${rate}${left}`
  }
  if (upload.state === 'stopped') return `stopped; ${became.value}`
  if (upload.state === 'failed') return read ? `${upload.sentence} ${became.value}` : upload.sentence
  return became.value
})
</script>

<template>
  <li class="file">
    <span class="name">{{ upload.file.name }}</span>
    <span class="slate">{{ size(upload.file.size) }}</span>
    <span
      class="says"
      :class="{ wrong: upload.state === 'failed' }"
      role="status"
      :aria-live="isGoing ? 'off' : 'polite'"
      >{{ says }}</span
    >
    <LinkButton v-if="isGoing" @click="$emit('stop')">Stop</LinkButton>
    <LinkButton v-else-if="upload.state === 'failed' || upload.state === 'stopped'" @click="$emit('again')">
      {{ upload.position ? 'Go on' : 'Try again' }}
    </LinkButton>
    <v-progress-linear
      v-if="isGoing || upload.state === 'stopped'"
      class="bar"
      color="primary"
      height="4"
      rounded
      :indeterminate="upload.state === 'reading' && !upload.position"
      :model-value="share * 100"
      :aria-label="upload.file.name"
    />
    <details v-if="upload.refused.length" class="refused">
      <summary>What could not be read</summary>
      <p v-for="(one, index) in upload.refused" :key="index">At byte {{ one.position }}: {{ one.error }}</p>
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

.says {
  font-variant-numeric: tabular-nums;
}

@media (max-width: 760px) {
  .says {
    grid-column: 1 / -1;
    order: 4;
  }
}

.bar,
.refused {
  order: 6;
  grid-column: 1 / -1;
}

.refused {
  font-size: var(--type-note);
}

.refused p {
  margin: 4px 0 0;
}
</style>
