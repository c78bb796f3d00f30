<script setup lang="ts">
import { computed } from 'vue'
import type { Outgoing } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import { nearMoment, size } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import MarkdownText from '@/ui/MarkdownText.vue'

/** A letter that has been given up to be sent, to be read. Only what is asked for here changes it. */
const props = defineProps<{ outgoing: Outgoing }>()
const emit = defineEmits<{ edit: []; now: []; move: []; close: [] }>()

const row = computed(() => props.outgoing.row)
const letter = computed(() => props.outgoing.letter)
const canEdit = computed(() => ['waiting', 'failed', 'doubt'].includes(row.value.state))
const state = computed(() => {
  const { state, goesAt, problem } = row.value
  if (state === 'waiting') return goesAt ? `It goes out ${nearMoment(goesAt)}.` : 'It goes out.'
  if (state === 'sending') return 'It is going out at this moment.'
  if (state === 'sent') return 'It has gone out.'
  return problem || 'It could not be sent.'
})
const heads = computed(() =>
  [
    ['To', letter.value.to],
    ['Copy to', letter.value.cc],
    ['Unseen', letter.value.bcc],
  ].filter(([, people]) => people),
)

useKeys('Letter', [
  { key: 'F2', label: 'Edit it', when: () => canEdit.value, opens: true, run: () => emit('edit') },
  {
    key: '3',
    label: 'Move to another time',
    when: () => row.value.state === 'waiting',
    run: () => emit('move'),
  },
  { key: 'Escape', label: 'Close', run: () => emit('close') },
])
</script>

<template>
  <section class="sheet letter" aria-label="The letter">
    <p class="state" role="status">{{ state }}</p>
    <h2>{{ letter.subject || 'no subject' }}</h2>
    <dl>
      <template v-for="[name, people] in heads" :key="name">
        <dt class="slate">{{ name }}</dt>
        <dd>{{ people }}</dd>
      </template>
    </dl>
    <MarkdownText v-if="letter.formatted" :text="letter.text" />
    <pre v-else>{{ letter.text }}</pre>
    <ul v-if="letter.files.length" aria-label="Files that go with it">
      <li v-for="file in letter.files" :key="file.id">
        {{ file.name }} <span class="slate">{{ size(file.size) }}</span>
      </li>
    </ul>
    <footer>
      <v-btn v-if="canEdit" color="primary" @click="emit('edit')">Edit <KeyCap name="F2" /></v-btn>
      <template v-if="row.state === 'waiting'">
        <v-btn variant="outlined" @click="emit('move')">Move <KeyCap name="3" /></v-btn>
        <v-btn variant="text" @click="emit('now')">Send now</v-btn>
      </template>
      <v-btn variant="text" @click="emit('close')">Close <KeyCap name="Escape" /></v-btn>
    </footer>
  </section>
</template>

<style scoped>
.letter {
  padding: 18px 28px 20px;
}

.state {
  margin: 0 0 10px;
  padding: 5px 12px;
  font-size: var(--type-note);
  color: var(--v-tab-soon-ink);
  background: var(--v-tab-soon);
  border-radius: 7px;
}

h2 {
  margin: 0 0 8px;
  font-size: var(--type-head);
  overflow-wrap: anywhere;
}

dl {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 2px 10px;
  margin: 0 0 14px;
}

dd {
  margin: 0;
  overflow-wrap: anywhere;
}

pre {
  max-width: 78ch;
  margin: 0;
  font: inherit;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

ul {
  margin: 12px 0 0;
}

footer {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 18px;
}
</style>
