<script setup lang="ts">
import type { EventSheet } from '@/shared/api/client'

/** An event of somebody else's calendar: it is only read here. */
defineProps<{ sheet: EventSheet }>()
const emit = defineEmits<{ close: []; take: [] }>()
</script>

<template>
  <div class="sheet asking">
    <h2>{{ sheet.event.title }}</h2>
    <p>
      <b>{{ sheet.when }}</b><template v-if="sheet.event.place">, {{ sheet.event.place }}</template>
    </p>
    <p v-if="sheet.repeat">It comes {{ sheet.repeat }}.</p>
    <p v-if="sheet.participants.length" class="slate">
      With {{ sheet.participants.map((one) => one.name || one.email).join(', ') }}
    </p>
    <p v-if="sheet.notes" class="notes">{{ sheet.notes }}</p>
    <p class="slate">
      From the calendar “{{ sheet.event.calendar }}”, where alone it can be changed.
      {{ sheet.event.busy ? '' : 'It takes none of your hours.' }}
    </p>
    <div class="actions">
      <v-btn v-first color="primary" @click="emit('close')">Close</v-btn>
      <v-btn variant="text" @click="emit('take')">Put it into my agenda, too …</v-btn>
    </div>
  </div>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
p {
  margin: 0 0 8px;
  overflow-wrap: anywhere;
}

.notes {
  max-height: 40vh;
  overflow: auto;
  white-space: pre-line;
}
</style>
