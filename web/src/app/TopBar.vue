<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useCounts, useRings } from '@/shared/api/heartbeat'
import { useKeys, EVERYWHERE } from '@/shared/keys/registry'
import AccountMenu from './AccountMenu.vue'
import { ClockChip } from '@/features/clock'
import DemoClock from './DemoClock.vue'
import KeyCap from '@/ui/KeyCap.vue'
import { folded, unfoldRings } from '@/features/ring/rings'
import TrailMenu from './TrailMenu.vue'
import { counted } from '@/shared/words'
import { ALONE, alone } from '@/shared/alone'
import { PlainButton } from '@/ui/kit'

defineProps<{ demo: boolean }>()
defineEmits<{ keys: []; jot: [] }>()

const route = useRoute()
const router = useRouter()
const { data: counts } = useCounts()
const rings = useRings()

const views = computed(() => [
  { name: 'tray', to: '/', text: 'Tray', count: counts.value?.tray },
  { name: 'tasks', to: '/tasks', text: 'Tasks', count: counts.value?.tasks },
  { name: 'agenda', to: '/agenda', text: 'Agenda', count: undefined },
  { name: 'away', to: '/coming-back', text: 'Coming back', count: counts.value?.away },
  { name: 'find', to: '/find', text: 'Find', count: undefined },
  { name: 'journal', to: '/journal', text: 'Journal', count: undefined },
])
const current = computed(() => String(route.meta.view ?? route.name ?? ''))

function step(by: number): void {
  const index = views.value.findIndex(({ name }) => name === current.value)
  const view = views.value[(index + by + views.value.length) % views.value.length]
  if (view) void router.push(view.to)
}

useKeys(EVERYWHERE, [
  { key: ',', label: 'Previous view of the bar', run: () => step(-1) },
  { key: '.', label: 'Next view of the bar', run: () => step(1) },
  { key: ALONE, label: 'Only this, or all again', run: () => (alone.value = !alone.value) },
  { key: '+', label: 'Write a message', opens: true, run: () => void router.push('/write') },
])
</script>

<template>
  <div class="bar-room" />
  <header v-if="alone" class="bar bare">
    <PlainButton class="tool right" @click="alone = false">
      <KeyCap :name="ALONE" /> <span>All again</span>
    </PlainButton>
  </header>
  <header v-else class="bar">
    <router-link to="/" class="mark plain" aria-label="Zippy Tray"
      ><i aria-hidden="true" /><span>Zippy Tray</span></router-link
    >
    <nav aria-label="Views">
      <router-link
        v-for="view in views"
        :key="view.name"
        :to="view.to"
        class="plain"
        :class="{ on: view.name === current }"
        :aria-current="view.name === current ? 'page' : undefined"
      >
        {{ view.text }}<b v-if="view.count !== undefined" data-count>{{ view.count }}</b>
      </router-link>
    </nav>
    <div class="right">
      <ClockChip />
      <DemoClock v-if="demo" />
      <PlainButton v-if="folded && rings.length" class="tool ringing" @click="unfoldRings()">
        {{ counted(rings.length, 'reminder') }} <KeyCap name="-" />
      </PlainButton>
      <TrailMenu />
      <router-link class="tool" to="/write" title="Write a message (+)"
        ><KeyCap name="+" /> <span>Write</span></router-link
      >
      <PlainButton class="tool" title="Jot: write a task down in one line (;)" @click="$emit('jot')">
        <KeyCap name=";" /> <span>Jot</span>
      </PlainButton>
      <PlainButton class="tool wide" title="Show the key card (?)" @click="$emit('keys')">
        <KeyCap name="?" /> <span>Keys</span>
      </PlainButton>
      <AccountMenu @keys="$emit('keys')" />
    </div>
  </header>
</template>

<style scoped src="./tool.css"></style>
<style scoped>
.bar-room {
  flex: none;
  height: 54px;
}

/* Fixed, not sticky: a sticky part lies in the page, which the browser scrolls as soon as a button of it has the focus. */
.bar {
  position: fixed;
  inset: 0 0 auto;
  z-index: 1000;
  height: 54px;
  display: flex;
  align-items: flex-end;
  padding: 0 20px;
  background: var(--v-rim);
  border-bottom: 1px solid var(--v-edge);
}

.bare {
  background: rgb(var(--v-theme-background));
  border-bottom-color: transparent;
}

.mark {
  align-self: center;
  display: flex;
  align-items: center;
  gap: 9px;
  margin-right: 22px;
  font-weight: 700;
  font-size: var(--type-lead);
  letter-spacing: -0.01em;
  white-space: nowrap;
}

.mark i {
  width: 22px;
  height: 15px;
  border: 2px solid rgb(var(--v-theme-primary));
  border-top: 0;
  border-radius: 0 0 5px 5px;
  position: relative;
}

.mark i::before {
  content: '';
  position: absolute;
  left: 2px;
  right: 2px;
  top: -5px;
  height: 9px;
  background: rgb(var(--v-theme-surface));
  border: 2px solid rgb(var(--v-theme-warning));
  border-radius: 2px;
}

nav {
  display: flex;
  gap: 2px;
  align-items: flex-end;
  min-width: 0;
}

nav a {
  padding: 9px 16px 10px;
  border: 1px solid transparent;
  border-bottom: 0;
  border-radius: 9px 9px 0 0;
  color: var(--v-slate);
  font-weight: 550;
  white-space: nowrap;
}

nav a.on {
  background: rgb(var(--v-theme-background));
  color: rgb(var(--v-theme-on-background));
  border-color: var(--v-edge);
  margin-bottom: -1px;
  padding-bottom: 11px;
}

nav b {
  margin-left: 6px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}

nav a.on b {
  color: rgb(var(--v-theme-primary));
}

.right {
  margin-left: auto;
  align-self: center;
  display: flex;
  gap: 14px;
  align-items: center;
}

.ringing {
  padding: 4px 10px;
  color: var(--v-tab-near-ink);
  background: var(--v-tab-near);
  border-radius: 7px;
}

@media (max-width: 960px) {
  .mark span {
    display: none;
  }

  .mark {
    margin-right: 8px;
  }
}

@media (max-width: 760px) {
  .bar-room,
  .bar {
    height: 92px;
  }

  .bar {
    flex-wrap: wrap;
    padding: 0 8px;
    align-content: space-between;
  }

  .mark {
    height: 44px;
  }

  .right {
    gap: 12px;
  }

  .tool:not(.ringing) kbd,
  .tool.wide {
    display: none;
  }

  nav {
    order: 3;
    width: 100%;
    justify-content: space-between;
  }

  nav a {
    padding: 9px 7px 10px;
    font-size: var(--type-note);
  }

  nav b {
    margin-left: 4px;
  }
}
</style>
