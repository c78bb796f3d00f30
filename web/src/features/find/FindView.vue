<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useKeys } from '@/shared/keys/registry'
import { useWritingFrom } from '@/features/write'
import { ConversationLine } from '@/features/conversation'
import { DecisionCards } from '@/features/decide'
import { LabelFilter, MarkButtons, useMarkKeys } from '@/features/labels'
import { StampCards } from '@/features/stamps'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import ListWord from '@/ui/ListWord.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MoreRows from '@/ui/MoreRows.vue'
import { useLists } from '@/shared/api/lists'
import { attempt } from '@/shared/notice'
import { PLACES, type FindPlace } from '@/shared/places'
import RowChunks from '@/ui/RowChunks.vue'
import { useSelection } from '@/shared/selection'
import { counted } from '@/shared/words'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { useFind } from './queries'
import EmptyBin from './EmptyBin.vue'
import { LinkButton, PlainButton } from '@/ui/kit'

const route = useRoute()
const router = useRouter()
const { decide } = useDecideSteps()

const typed = ref(String(route.query.words ?? ''))
const words = refDebounced(typed, 150)
const place = computed<FindPlace>(() => PLACES.find(({ value }) => value === route.query.in)?.value ?? '')
/** Only what bears that label. */
const bearing = computed({
  get: () => String(route.query.label ?? ''),
  set: (id) => void router.replace({ query: { ...route.query, label: id || undefined } }),
})
/** Only what belongs to that list. */
const listId = computed(() => String(route.query.list ?? ''))
const { data: lists } = useLists()
const list = computed(() => lists.value?.find(({ id }) => id === listId.value))
const found = useFind(words, place, bearing, listId)
const { data, error, refetch } = found
const rows = computed(() => data.value?.rows ?? [])
const { current, currentId, moving, selecting, selected, goTo, clicked, clear, meant } = useSelection(
  rows,
  'data-conversation',
  'find',
  found.whole,
)
const writeFrom = useWritingFrom()
const field = ref<{ $el: HTMLElement }>()
const toWords = () => field.value?.$el.querySelector('input')?.focus()
/** Into the tray again, from wherever they are. */
const bringBack = () =>
  attempt(() => decide(place.value === 'bin' ? 'put_back' : 'bring_back', meant.value.map(claimOf)))
async function decided(): Promise<void> {
  clear()
  await goTo(current.value)
}
/** What matched, in pieces: every second one is the word itself. */
const pieces = (hit: string) => hit.split(/[\u0002\u0003]/)

watch(words, (now) => void router.replace({ query: { ...route.query, words: now || undefined } }))

const look = (where: FindPlace) => void router.replace({ query: { ...route.query, in: where || undefined } })

const { keys: markKeys } = useMarkKeys(
  () => meant.value,
  () => goTo(current.value),
)
useKeys('Find', [
  ...moving,
  {
    key: 'Backspace',
    label: 'Bring back into the tray',
    when: () => meant.value.length > 0,
    run: () => void bringBack(),
  },
  { key: 'F2', label: 'To the words', run: toWords },
  ...markKeys,
  ...selecting,
])
</script>

<template>
  <div class="view">
    <h1 class="sr-only">Find</h1>
    <v-text-field
      ref="field"
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
      <PlainButton
        v-for="where in PLACES"
        :key="where.value"
        :aria-pressed="place === where.value"
        @click="look(where.value)"
      >
        {{ where.text }}
      </PlainButton>
      <LabelFilter v-model="bearing" class="bearing" counts="conversations" />
      <span v-if="listId" class="of-list">
        in <ListWord v-if="list" :list="list" /><span v-else>a list that is gone</span>
        <LinkButton
          aria-label="Not only of this list"
          @click="router.replace({ query: { ...route.query, list: undefined } })"
          >×</LinkButton
        >
        <router-link v-if="list" class="link" :to="{ name: 'tasks', query: { by: 'list', list: list.id } }"
          >To do</router-link
        >
      </span>
      <span v-if="data" class="slate total" role="status">{{ counted(data.total, 'conversation') }}</span>
      <EmptyBin v-if="place === 'bin' && rows.length && !words && !bearing" :total="data?.total ?? 0" />
    </div>
    <div v-if="rows.length" class="decide">
      <span class="slate">{{
        selected.size ? `${selected.size} selected` : meant.length ? 'This one' : 'Choose a row'
      }}</span>
      <DecisionCards
        :rows="meant"
        bar
        @decided="decided"
        @folded="goTo(current)"
        @write="(wanted) => meant[0] && writeFrom(meant[0], wanted)"
      />
      <StampCards v-show="selected.size" bar :rows="meant" @decided="decided" @folded="goTo(current)">
        <MarkButtons :rows="meant" @folded="goTo(current)" />
      </StampCards>
    </div>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState
      v-else-if="!rows.length"
      :title="words || bearing || listId ? 'Nothing found' : 'Nothing here'"
    >
      <template v-if="words"
        >No conversation holds all of these words{{ place ? ' in this place' : '' }}. Fewer letters find
        more.</template
      >
      <template v-else-if="listId && !bearing"
        >No mail belongs to this list{{ place ? ' in this place' : '' }}. <KeyCap name="F7" /> puts it there,
        from the tray, a conversation or here.</template
      >
      <template v-else-if="bearing">Nothing here bears that label.</template>
      <template v-else-if="place === 'muted'"
        >Muted conversations stay out of the tray whatever arrives (<KeyCap name="8" />). Bring one back, and
        it is not muted any more.</template
      >
      <template v-else-if="place === 'bin'"
        >Deleted conversations stay here for 30 days and can be put back.</template
      >
      <template v-else>When mail comes in, it can be found here.</template>
    </EmptyState>
    <RowChunks v-else v-slot="{ row }" :rows="rows" :current="currentId">
      <ConversationLine
        :row="row"
        :selected="selected.has(row.id)"
        :current="row.id === currentId"
        @select="clicked(rows.indexOf(row), $event.shiftKey)"
        @focusin="current = rows.indexOf(row)"
      >
        <LinkButton v-if="row.place === 'bin'" @click="attempt(() => decide('put_back', [claimOf(row)]))">
          Put back
        </LinkButton>
        <span v-else-if="row.muted" class="slate place">muted</span>
        <span v-else-if="!place" class="slate place">{{ row.place }}</span>
        <template v-if="data?.hits[row.id]" #text>
          <template v-for="(piece, at) in pieces(data?.hits[row.id] ?? '')" :key="at"
            ><mark v-if="at % 2">{{ piece }}</mark
            ><template v-else>{{ piece }}</template></template
          >
        </template>
      </ConversationLine>
    </RowChunks>
    <MoreRows v-if="data" :parts="found" :left="data.total - rows.length" one="conversation" />
    <p v-if="data && !words" class="slate can">
      Words are looked for in subjects, people, addresses and texts, in any order and from their beginnings:
      <b>tam lant</b> finds Tam’s letter about the lantern. Accents and capitals do not matter.
    </p>
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
  font-size: var(--type-note);
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

.decide {
  position: sticky;
  top: 62px;
  z-index: 25;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 0 -10px 10px;
  padding: 8px 10px;
  background: rgb(var(--v-theme-background));
}

mark {
  padding: 0 1px;
  color: var(--v-tab-soon-ink);
  background: var(--v-tab-soon);
  border-radius: 3px;
}

.can {
  margin-top: 14px;
  font-size: var(--type-note);
}

.bearing {
  max-width: 180px;
  font-size: var(--type-note);
}

.of-list {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: var(--type-note);
}

.total {
  margin-left: auto;
  margin-right: 8px;
  font-size: var(--type-note);
}

.place {
  width: 62px;
  font-size: var(--type-note);
  padding-right: 12px;
}

.end .link {
  padding-right: 14px;
}
</style>
