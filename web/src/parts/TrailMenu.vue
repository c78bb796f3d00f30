<script setup lang="ts">
import { mdiUndoVariant } from '@mdi/js'
import { ref } from 'vue'
import type { Entry } from '@/api/client'
import { useCover } from '@/keys/registry'
import { nearMoment } from '@/time/format'
import KeyCap from './KeyCap.vue'
import { trail } from './trail'
import { useUndoing } from './undoing'
import UndoSlip from './UndoSlip.vue'
import { deed, object } from './words'

/** The last few things that were done in this window, each with the way back; the journal has the rest. */
const { undoIt } = useUndoing()
const open = ref(false)
useCover(open, () => (open.value = false))

function undo(entry: Entry): void {
  open.value = false
  void undoIt(entry)
}
</script>

<template>
  <v-menu v-if="trail.length" v-model="open" :close-on-content-click="false">
    <template #activator="{ props }">
      <button v-bind="props" class="tool" type="button" title="What you did last (Ctrl+Z undoes it)">
        <v-icon :icon="mdiUndoVariant" size="18" /> <span>Undo</span>
      </button>
    </template>
    <div class="sheet steps">
      <p v-for="entry in trail" :key="entry.id">
        <span class="what">{{ deed(entry) }}: {{ object(entry) }}</span>
        <span class="slate">{{ nearMoment(entry.at) }}</span>
        <UndoSlip :entry="entry" @undo="undo(entry)" />
      </p>
      <p class="slate">
        <span><KeyCap name="Ctrl+z" /> undoes the first of these.</span>
        <router-link class="link" to="/journal" @click="open = false">All of it: the journal</router-link>
      </p>
    </div>
  </v-menu>
</template>

<style scoped src="./tool.css"></style>
<style scoped>
.steps {
  display: grid;
  gap: 7px;
  max-width: min(560px, 94vw);
  padding: 12px 18px 14px;
  font-size: 14px;
}

p {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin: 0;
}

.what {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
