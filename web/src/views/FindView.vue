<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Place } from '@/api/client'
import { claimOf, useDeciding } from '@/api/deciding'
import { useFind } from '@/api/reading'
import { useKeys } from '@/keys/registry'
import ConversationLine from '@/parts/ConversationLine.vue'
import EmptyState from '@/parts/EmptyState.vue'
import FailedState from '@/parts/FailedState.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import ModalDialog from '@/parts/ModalDialog.vue'
import { attempt } from '@/parts/notice'
import { PLACES } from '@/parts/places'
import { useSelection } from '@/parts/selection'
import { counted } from '@/parts/words'

const route = useRoute()
const router = useRouter()
const { decide, emptyBin } = useDeciding()

const typed = ref(String(route.query.words ?? ''))
const words = refDebounced(typed, 150)
const place = computed<Place | ''>(() => PLACES.find(({ value }) => value === route.query.in)?.value ?? '')
const page = ref(1)
const { data, error, refetch } = useFind(words, place, page)
const rows = computed(() => data.value?.rows ?? [])
const pages = computed(() => Math.ceil((data.value?.total ?? 0) / (data.value?.pageSize ?? 1)))
const { current, goTo } = useSelection(rows)
const asking = ref(false)

watch([words, place], () => (page.value = 1))
watch(words, (now) => void router.replace({ query: { ...route.query, words: now || undefined } }))

const look = (where: Place | '') => void router.replace({ query: { ...route.query, in: where || undefined } })

async function empty(): Promise<void> {
  asking.value = false
  await attempt(emptyBin)
}

useKeys('Find', [
  { key: 'ArrowDown', label: 'Next row', run: () => void goTo(current.value + 1) },
  { key: 'ArrowUp', label: 'Previous row', run: () => void goTo(current.value - 1) },
])
</script>

<template>
  <div class="view">
    <h1 class="sr-only">Find</h1>
    <v-text-field
      v-model="typed"
      v-first
      class="field"
      density="comfortable"
      bg-color="surface"
      label="Find words in subjects, people and messages"
      :prepend-inner-icon="mdiMagnify"
      clearable
      @keydown.down.prevent="goTo(0)"
      @click:clear="typed = ''"
    />
    <div class="places" role="group" aria-label="Where to look">
      <button
        v-for="where in PLACES"
        :key="where.value"
        type="button"
        :aria-pressed="place === where.value"
        @click="look(where.value)"
      >
        {{ where.text }}
      </button>
      <span v-if="data" class="slate total" role="status">{{ counted(data.total, 'conversation') }}</span>
      <v-btn
        v-if="place === 'bin' && rows.length && !words"
        variant="outlined"
        size="small"
        @click="asking = true"
        >Empty the bin</v-btn
      >
    </div>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!rows.length" :title="words ? 'Nothing found' : 'Nothing here'">
      <template v-if="words"
        >No conversation holds all of these words{{ place ? ' in this place' : '' }}. Fewer letters find
        more.</template
      >
      <template v-else-if="place === 'bin'"
        >Deleted conversations stay here for 30 days and can be put back.</template
      >
      <template v-else>When mail comes in, it can be found here.</template>
    </EmptyState>
    <ul v-else class="rows">
      <ConversationLine
        v-for="(row, index) in rows"
        :key="row.id"
        :row="row"
        :selectable="false"
        :current="index === current"
        @focusin="current = index"
      >
        <button
          v-if="row.place === 'bin'"
          class="link"
          type="button"
          @click="attempt(() => decide('put_back', [claimOf(row)]))"
        >
          Put back
        </button>
        <span v-else-if="!place" class="slate place">{{ row.place }}</span>
      </ConversationLine>
    </ul>
    <v-pagination v-if="pages > 1" v-model="page" :length="pages" :total-visible="6" class="mt-4" />
    <ModalDialog :open="asking" name="Empty the bin" @close="asking = false">
      <div class="sheet ask">
        <h2>Empty the bin?</h2>
        <p>
          {{ counted(data?.total ?? 0, 'conversation') }} will be gone for good. This cannot be undone. Tasks
          that came from this mail keep their copies.
        </p>
        <div class="actions">
          <v-btn v-first variant="text" @click="asking = false">Keep them</v-btn>
          <v-btn color="error" @click="empty">Remove for good</v-btn>
        </div>
      </div>
    </ModalDialog>
  </div>
</template>

<style scoped>
.places {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin: 12px 0 14px;
}

.places button:not(.v-btn) {
  padding: 5px 13px;
  font: inherit;
  font-size: 14px;
  font-weight: 550;
  color: var(--v-slate);
  background: none;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
  cursor: pointer;
}

.places button[aria-pressed='true'] {
  color: rgb(var(--v-theme-primary));
  background: var(--v-sea-soft);
  border-color: transparent;
}

.total {
  margin-left: auto;
  margin-right: 8px;
  font-size: 14px;
}

.place {
  width: 62px;
  font-size: 13.5px;
  padding-right: 12px;
}

.end .link {
  padding-right: 14px;
}

.ask {
  padding: 26px 30px;
}

.ask h2 {
  margin: 0 0 8px;
  font-size: 20px;
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 18px;
}
</style>
