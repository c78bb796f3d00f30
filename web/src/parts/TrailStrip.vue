<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import type { Entry } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { useKeys, EVERYWHERE } from '@/keys/registry'
import { useSession } from '@/api/session'
import { millisecondsUntil } from '@/time/clock'
import { attempt, say } from './notice'
import { hasSteps, lastStep, letGo, trail } from './trail'
import UndoSlip from './UndoSlip.vue'
import { deed, object } from './words'

const { undo } = useDeciding()
const route = useRoute()
const router = useRouter()
const { account } = useSession()

/** What was sent is a draft again, and is opened where it belongs. */
async function undoIt(entry: Entry): Promise<void> {
  if (!(await attempt(() => undo(entry)))) return
  const isSent = entry.kind === 'send' || entry.kind === 'send_later'
  if (isSent && entry.outgoing && route.name !== 'clearing')
    await router.push({ name: 'write', params: { id: entry.outgoing } })
}

const isGone = ({ kind, at }: Entry) =>
  kind === 'send' && millisecondsUntil(at) / 1000 + (account.value?.settings.undoSeconds ?? 0) <= 0

/**
 * What was decided a moment ago may still be on its way, and so may the undoing before this one. A letter that has gone
 * cannot be undone: that is said, and the step before it is undone.
 */
async function undoLast(): Promise<void> {
  const last = await lastStep()
  if (!last) return
  if (!isGone(last)) return undoIt(last)
  letGo(last)
  await undoLast()
  say(`“${object(last)}” has gone out, and stays as it is.`)
}
let undoing = Promise.resolve()

useKeys(EVERYWHERE, [
  {
    key: 'Ctrl+z',
    label: 'Undo the last step',
    when: () => hasSteps.value,
    run: () => {
      undoing = undoing.then(undoLast)
    },
  },
])
</script>

<template>
  <div v-if="trail.length" class="trail" role="region" aria-label="What you did last">
    <span v-for="entry in trail" :key="entry.id" class="slip">
      <span class="what">{{ deed(entry) }}: {{ object(entry) }}</span>
      <span v-if="entry.consequence" class="slate">{{ entry.consequence }}</span>
      <UndoSlip :entry="entry" @undo="undoIt(entry)" />
    </span>
  </div>
</template>

<style scoped>
.trail {
  position: fixed;
  z-index: 900;
  left: 0;
  right: 0;
  bottom: 41px;
  display: flex;
  gap: 8px;
  padding: 0 44px 6px;
  overflow: hidden;
  pointer-events: none;
}

/* slips of paper that lie on the edge of the rail */
.slip {
  pointer-events: auto;
  box-shadow: var(--shadow);
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

.slip + /* slips of paper that lie on the edge of the rail */
.slip {
  pointer-events: auto;
  box-shadow: var(--shadow);
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

@media (max-width: 760px) {
  .trail {
    padding: 0 12px 6px;
  }

  .slip + .slip,
  .slip .slate {
    display: none;
  }
}
</style>
