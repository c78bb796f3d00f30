<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { PlainButton } from '@/ui/kit'
import KeptGroup from './KeptGroup.vue'
import SearchCount from './SearchCount.vue'
import { useSearches } from './queries'

/** The searches that are shown as groups of their own in the tray, or in Tasks. */
const props = defineProps<{ in: 'tray' | 'tasks' }>()
const { data } = useSearches()
const searches = computed(() => data.value?.filter(({ shownIn }) => shownIn === props.in) ?? [])
/** Those that are open on this device. */
const open = useLocalStorage<string[]>('zippy-tray.open-searches', [])
const turn = (id: string) =>
  (open.value = open.value.includes(id) ? open.value.filter((one) => one !== id) : [...open.value, id])
</script>

<template>
  <section v-for="search in searches" :key="search.id" class="kept-group" :aria-label="search.name">
    <PlainButton class="head" :aria-expanded="open.includes(search.id)" @click="turn(search.id)">
      <span aria-hidden="true">{{ open.includes(search.id) ? '▾' : '▸' }}</span> {{ search.name }}
      <SearchCount :id="search.id" />
    </PlainButton>
    <KeptGroup v-if="open.includes(search.id)" :search="search" />
  </section>
</template>

<style scoped>
.kept-group {
  margin-bottom: 6px;
}

.head {
  padding: 2px 0;
  font-weight: 600;
}
</style>
