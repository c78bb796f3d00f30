<script setup lang="ts">
import { mdiPencilOutline } from '@mdi/js'
import { ref } from 'vue'
import type { FindSort, KeptSearch } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { LinkButton, PlainButton } from '@/ui/kit'
import KeepDialog from './KeepDialog.vue'
import SearchCount from './SearchCount.vue'
import { useSearches } from './queries'
import { useSearchSteps } from './steps'

/** The searches that are kept, each with how much it finds. */
const props = defineProps<{ words: string; sort: FindSort }>()
const emit = defineEmits<{ choose: [search: KeptSearch] }>()

const { data } = useSearches()
const { moveSearch } = useSearchSteps()
const changing = ref<KeptSearch | 'new' | null>(null)
const moved = ref<string | null>(null)

async function drop(onto: KeptSearch): Promise<void> {
  const id = moved.value
  moved.value = null
  const all = data.value ?? []
  const from = all.findIndex((one) => one.id === id)
  const at = all.findIndex((one) => one.id === onto.id)
  if (!id || from < 0 || from === at) return
  await attempt(() => moveSearch(id, from < at ? onto.id : (all[at - 1]?.id ?? null)))
}
async function step(search: KeptSearch, by: number): Promise<void> {
  const all = (data.value ?? []).filter((one) => one.id !== search.id)
  const at = (data.value ?? []).findIndex((one) => one.id === search.id) + by
  if (at >= 0 && at <= all.length) await attempt(() => moveSearch(search.id, all[at - 1]?.id ?? null))
}
const isHere = (search: KeptSearch) => search.words === props.words.trim()
</script>

<template>
  <div v-if="data" class="kept" role="group" aria-label="Kept searches">
    <span
      v-for="search in data"
      :key="search.id"
      class="one"
      draggable="true"
      @dragstart="moved = search.id"
      @dragover.prevent
      @drop.prevent="drop(search)"
    >
      <PlainButton
        :aria-pressed="isHere(search)"
        :title="`${search.words} — Ctrl+← → moves it`"
        @click="emit('choose', search)"
        @keydown.ctrl.left.prevent.stop="step(search, -1)"
        @keydown.ctrl.right.prevent.stop="step(search, 1)"
        >{{ search.name }} <SearchCount :id="search.id"
      /></PlainButton>
      <PlainButton class="change" :aria-label="`Change the search ${search.name}`" @click="changing = search">
        <v-icon :icon="mdiPencilOutline" size="14" />
      </PlainButton>
    </span>
    <LinkButton v-if="words.trim() && !data.some(isHere)" @click="changing = 'new'"
      >Keep this search</LinkButton
    >
    <KeepDialog
      v-if="changing"
      :search="changing === 'new' ? null : changing"
      :words="words"
      :sort="sort"
      @close="changing = null"
    />
  </div>
</template>

<style scoped>
.kept {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin-bottom: 10px;
  font-size: var(--type-note);
}

.one {
  display: inline-flex;
  align-items: center;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-left: 5px solid rgb(var(--v-theme-primary));
  border-radius: 0 7px 7px 0;
}

.one > button {
  padding: 3px 8px;
}

.one > [aria-pressed='true'] {
  font-weight: 600;
}

small {
  margin-left: 4px;
  color: var(--v-slate);
}

.change {
  padding: 3px 5px;
  color: var(--v-slate);
  opacity: 0.5;
}

.one:hover .change,
.change:focus-visible {
  opacity: 1;
}
</style>
