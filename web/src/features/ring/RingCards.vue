<script setup lang="ts">
import { mdiChevronDown } from '@mdi/js'
import { useSessionStorage } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Ring } from '@/shared/api/client'
import { useHeartbeat, useRings } from '@/shared/api/heartbeat'
import { EVERYWHERE, useKeys } from '@/shared/keys/registry'
import { attempt } from '@/shared/notice'
import { notify } from '@/shared/notify'
import { folded, unfoldRings } from './rings'
import RingSlip from './RingSlip.vue'
import { counted } from '@/shared/words'
import { useRingSteps } from './steps'
import { LinkButton, PlainButton } from '@/ui/kit'

/**
 * The reminders that have come, on one card in every view: it stays until each is answered, and can be folded to a tab
 * meanwhile.
 */
useHeartbeat()
const router = useRouter()
const rings = useRings()
const { letGo } = useRingSteps()
const isWhole = ref(false)
/** At most two at once, unless all are asked for. */
const shown = computed(() => (isWhole.value ? rings.value : rings.value.slice(0, 2)))

/** A reminder that came again is a new one. */
const nameOf = ({ id, at }: Ring) => `${id} ${at}`
/** Those that this window has shown already. */
const told = useSessionStorage<string[]>('zippy-tray.reminders-told', [])

function open(ring: Ring): void {
  folded.value = true
  if (ring.task) void router.push({ name: 'tasks', params: { id: ring.task.id } })
  else if (ring.event) {
    const { id, key, repeats } = ring.event
    void router.push({ name: 'agenda', query: { event: id, ...(repeats ? { key } : {}) } })
  } else if (ring.conversation)
    void router.push({ name: 'conversation', params: { id: ring.conversation.id } })
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

function fold(): void {
  folded.value = true
}

/** When one is answered, the focus is on the next one, or where it was before. */
async function stay(): Promise<void> {
  await nextTick()
  if (document.activeElement === document.body)
    document.querySelector<HTMLElement>('.rings button.title')?.focus()
}

useKeys(EVERYWHERE, [
  { key: '-', label: 'To the reminders', when: () => rings.value.length > 0, run: () => void unfoldRings() },
])
</script>

<template>
  <section
    v-if="rings.length && !folded"
    class="rings"
    :class="{ whole: isWhole }"
    aria-live="polite"
    :aria-label="title"
    @keydown.esc.stop="fold"
  >
    <header>
      <h2>{{ title }}</h2>
      <LinkButton v-if="rings.length > 2" @click="isWhole = !isWhole">
        {{ isWhole ? 'Show two' : `Show all ${rings.length}` }}
      </LinkButton>
      <LinkButton v-if="rings.length > 1" @click="attempt(() => letGo(rings.map(({ id }) => id)))">
        Let all {{ rings.length }} go
      </LinkButton>
      <PlainButton class="fold" title="Fold (Esc)" aria-label="Fold the reminders" @click="fold">
        <v-icon :icon="mdiChevronDown" size="20" />
      </PlainButton>
    </header>
    <ul>
      <li v-for="ring in shown" :key="nameOf(ring)">
        <RingSlip :ring="ring" @open="open(ring)" @answered="stay" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.rings {
  display: flex;
  gap: 4px 24px;
  align-items: flex-start;
  padding: 6px 44px;
  background: rgb(var(--v-theme-surface));
  border-top: 2px solid var(--v-tab-near);
}

header {
  display: grid;
  grid-template-columns: auto auto;
  flex: none;
  gap: 2px 10px;
  align-items: center;
  justify-items: start;
  width: 180px;
}

h2 {
  margin: 0;
  font-size: var(--type-note);
  font-weight: 600;
  color: var(--v-slate);
}

.fold {
  padding: 0 2px;
  color: var(--v-slate);
  background: none;
  border: 0;
  border-radius: 6px;
  cursor: pointer;
}

ul {
  flex: 1;
  min-width: 0;
  max-height: 44vh;
  overflow-y: auto;
}

li + li {
  border-top: 1px solid var(--v-edge);
}

@media (max-width: 760px) {
  .rings {
    flex-direction: column;
    padding: 6px 12px;
  }

  header {
    display: flex;
    width: 100%;
  }
}
</style>
