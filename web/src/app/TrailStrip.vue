<script setup lang="ts">
import { useKeys, EVERYWHERE } from '@/shared/keys/registry'
import { hasSteps, slips } from '@/shared/trail'
import { useUndoing } from '@/shared/undoing'
import UndoSlip from './UndoSlip.vue'
import { deed, object } from '@/shared/words'

/** What was just done, for some seconds, with the way back. */
const { undoIt, undoLast } = useUndoing()

useKeys(EVERYWHERE, [
  { key: 'Ctrl+z', label: 'Undo the last step', when: () => hasSteps.value, run: undoLast },
])
</script>

<template>
  <div v-if="slips.length" class="trail" role="region" aria-label="What you did last">
    <span v-for="entry in slips" :key="entry.id" class="slip">
      <span class="what">{{ deed(entry) }}: {{ object(entry) }}</span>
      <span v-if="entry.consequence" class="slate">{{ entry.consequence }}</span>
      <UndoSlip :entry="entry" @undo="undoIt(entry)" />
    </span>
  </div>
</template>

<style scoped>
.trail {
  display: flex;
  gap: 24px;
  padding: 5px 44px;
  overflow: hidden;
  border-top: 1px solid var(--v-edge);
}

.slip {
  flex: 0 1 auto;
  min-width: 0;
  display: flex;
  gap: 10px;
  align-items: baseline;
  font-size: var(--type-note);
  white-space: nowrap;
}

.what,
.slip .slate {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}

.slip .slate {
  flex-shrink: 3;
}

@media (max-width: 760px) {
  .trail {
    padding: 5px 12px;
  }

  .slip + .slip,
  .slip .slate {
    display: none;
  }
}
</style>
