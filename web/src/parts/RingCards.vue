<script setup lang="ts">
import { mdiChevronDown } from '@mdi/js'
import { useSessionStorage } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Ring } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { useHeartbeat, useRings } from '@/api/heartbeat'
import { EVERYWHERE, useKeys } from '@/keys/registry'
import KeyCap from './KeyCap.vue'
import { attempt } from './notice'
import { notify } from './notify'
import RingSlip from './RingSlip.vue'
import { counted } from './words'

/**
 * The reminders that have come, on one card in every view: it stays until each is answered, and can be folded to a tab
 * meanwhile.
 */
useHeartbeat()
const router = useRouter()
const rings = useRings()
const { letGo } = useDeciding()
const folded = useSessionStorage('zippy-tray.reminders-folded', false)
const card = ref<HTMLElement>()

/** A reminder that came again is a new one. */
const nameOf = ({ id, at }: Ring) => `${id} ${at}`
/** Those that this window has shown already. */
const told = useSessionStorage<string[]>('zippy-tray.reminders-told', [])

function open(ring: Ring): void {
  folded.value = true
  if (ring.task) void router.push({ name: 'tasks', params: { id: ring.task.id } })
  else if (ring.conversation) void router.push({ name: 'conversation', params: { id: ring.conversation.id } })
}

watch(
  rings,
  (now) => {
    const fresh = now.filter((ring) => !told.value.includes(nameOf(ring)))
    if (!fresh.length) return
    told.value = now.map(nameOf)
    folded.value = false
    if (document.hidden) for (const ring of fresh) notify(ring, () => open(ring))
  },
  { immediate: true },
)

const title = computed(() => {
  if (rings.value.length === 1 && !rings.value[0]?.late) return 'Reminder'
  return rings.value.some(({ late }) => late)
    ? 'While you were away'
    : counted(rings.value.length, 'reminder')
})

async function turnTo(): Promise<void> {
  folded.value = false
  await nextTick()
  card.value?.querySelector<HTMLElement>('button.title')?.focus()
}

function fold(): void {
  folded.value = true
}

useKeys(EVERYWHERE, [
  { key: '-', label: 'To the reminders', when: () => rings.value.length > 0, run: () => void turnTo() },
])
</script>

<template>
  <button
    v-if="rings.length && folded"
    type="button"
    class="folded"
    title="Unfold the reminders"
    @click="turnTo"
  >
    {{ counted(rings.length, 'reminder') }} <KeyCap name="-" />
  </button>
  <section
    v-else-if="rings.length"
    ref="card"
    class="sheet rings"
    aria-live="polite"
    :aria-label="title"
    @keydown.esc.stop="fold"
  >
    <header>
      <h2>{{ title }}</h2>
      <button
        v-if="rings.length > 1"
        type="button"
        class="link"
        @click="attempt(() => letGo(rings.map(({ id }) => id)))"
      >
        Let all {{ rings.length }} go
      </button>
      <button type="button" class="fold" title="Fold (Esc)" aria-label="Fold the reminders" @click="fold">
        <v-icon :icon="mdiChevronDown" size="20" />
      </button>
    </header>
    <ul>
      <li v-for="ring in rings" :key="nameOf(ring)"><RingSlip :ring="ring" @open="open(ring)" /></li>
    </ul>
  </section>
</template>

<style scoped>
.rings {
  position: fixed;
  z-index: 905;
  left: 20px;
  bottom: 88px;
  display: flex;
  flex-direction: column;
  width: 400px;
  max-width: calc(100vw - 24px);
  max-height: min(430px, calc(100vh - 160px));
  box-shadow:
    0 0 0 1px var(--v-edge),
    0 10px 34px rgb(30 44 53 / 22%);
}

header {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 10px 6px 18px;
  border-bottom: 1px solid var(--v-edge);
}

h2 {
  margin: 0 auto 0 0;
  font-size: 14px;
  font-weight: 600;
  color: var(--v-slate);
}

.fold {
  padding: 2px;
  color: var(--v-slate);
  background: none;
  border: 0;
  border-radius: 6px;
  cursor: pointer;
}

ul {
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

li + li {
  border-top: 1px solid var(--v-edge);
}

.folded {
  position: fixed;
  z-index: 905;
  left: 0;
  bottom: 88px;
  padding: 6px 18px 6px 12px;
  font: inherit;
  font-size: 13.5px;
  font-weight: 600;
  color: var(--v-tab-near-ink);
  background: var(--v-tab-near);
  border: 0;
  clip-path: polygon(0 0, calc(100% - 9px) 0, 100% 50%, calc(100% - 9px) 100%, 0 100%);
  cursor: pointer;
}

@media (max-width: 760px) {
  .rings {
    left: 12px;
    width: calc(100vw - 24px);
    max-height: 50vh;
  }
}
</style>
