<script setup lang="ts">
import { useDeciding } from '@/api/deciding'
import { useKeys, EVERYWHERE } from '@/keys/registry'
import { attempt } from './notice'
import { hasSteps, lastStep, trail } from './trail'
import { deed, object } from './words'

const { undo } = useDeciding()

useKeys(EVERYWHERE, [
  {
    key: 'Ctrl+z',
    label: 'Undo the last step',
    when: () => hasSteps.value,
    // What was decided a moment ago may still be on its way.
    run: async () => {
      const last = await lastStep()
      if (last) await attempt(() => undo(last))
    },
  },
])
</script>

<template>
  <div v-if="trail.length" class="trail" role="region" aria-label="What you did last">
    <span v-for="entry in trail" :key="entry.id" class="slip">
      <span class="what">{{ deed(entry) }}: {{ object(entry) }}</span>
      <span v-if="entry.consequence" class="slate">{{ entry.consequence }}</span>
      <button v-if="entry.undoable" class="link" type="button" @click="attempt(() => undo(entry))">
        Undo
      </button>
    </span>
  </div>
</template>

<style scoped>
.trail {
  position: fixed;
  z-index: 900;
  left: 0;
  right: 0;
  bottom: 0;
  display: flex;
  gap: 8px;
  padding: 8px 44px;
  overflow: hidden;
  background: var(--v-rim);
  border-top: 1px solid var(--v-edge);
}

.slip {
  flex: 0 1 auto;
  min-width: 0;
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 4px 11px;
  font-size: 13.5px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 7px;
  white-space: nowrap;
}

.slip + .slip {
  opacity: 0.86;
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

.slip .link {
  flex: none;
}

.link {
  text-decoration: underline;
}

@media (max-width: 760px) {
  .trail {
    padding: 8px 12px;
  }

  .slip + .slip,
  .slip .slate {
    display: none;
  }
}
</style>
