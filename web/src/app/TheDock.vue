<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { PinnedToday, isPinned } from '@/features/agenda'
import { alone } from '@/shared/alone'
import NoticeBar from './NoticeBar.vue'
import RingCards from '@/features/ring/RingCards.vue'
import TrailStrip from './TrailStrip.vue'

/**
 * The place above the rail for what the page has to say: notices, reminders, and what was just done. Nothing of the view
 * lies under it: it is as an edge of the window, and the view can be scrolled above it.
 */
const route = useRoute()
const dock = ref<HTMLElement>()
const { height } = useElementSize(dock, undefined, { box: 'border-box' })
watch(height, (now) => document.documentElement.style.setProperty('--dock', `${Math.ceil(now)}px`))
</script>

<template>
  <div ref="dock" class="dock">
    <NoticeBar />
    <RingCards />
    <PinnedToday v-if="isPinned && !alone && route.name !== 'agenda'" />
    <TrailStrip v-show="!alone" />
  </div>
</template>

<style scoped>
.dock {
  position: fixed;
  z-index: 905;
  left: 0;
  right: 0;
  bottom: var(--rail-now, var(--rail));
  background: var(--v-rim);
}
</style>
