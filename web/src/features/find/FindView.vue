<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useKeys } from '@/shared/keys/registry'
import { LabelFilter } from '@/features/labels'
import EmptyState from '@/ui/EmptyState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import ListWord from '@/ui/ListWord.vue'
import { useLists } from '@/shared/api/lists'
import { PLACES, type FindPlace } from '@/shared/places'
import { counted } from '@/shared/words'
import type { FindSort, KeptSearch } from '@/shared/api/client'
import FoundMail from './FoundMail.vue'
import FoundThings from './FoundThings.vue'
import KeptSearches from './KeptSearches.vue'
import SearchField from './SearchField.vue'
import { useThings } from './queries'
import EmptyBin from './EmptyBin.vue'
import { LinkButton, PlainButton } from '@/ui/kit'

const route = useRoute()
const router = useRouter()

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
const total = ref<number>()
const found = ref<{ first: () => unknown }>()
/** What is found: mail first, and what else there is. */
const SORTS: { value: FindSort; text: string }[] = [
  { value: 'mail', text: 'Mail' },
  { value: 'task', text: 'Tasks' },
  { value: 'reference', text: 'To look up' },
  { value: 'note', text: 'Notes' },
  { value: 'event', text: 'Events' },
  { value: 'person', text: 'People' },
  { value: 'entry', text: 'Journal' },
]
const sort = computed(() => SORTS.find(({ value }) => value === route.query.sort)?.value ?? 'mail')
const isMail = computed(() => sort.value === 'mail' || !words.value.trim())
const { data: things } = useThings(words, sort)
const turn = (to: FindSort) =>
  void router.replace({ query: { ...route.query, sort: to === 'mail' ? undefined : to } })
function choose(search: KeptSearch): void {
  typed.value = search.words
  void router.replace({
    query: { words: search.words, ...(search.sort === 'mail' ? {} : { sort: search.sort }) },
  })
}
const field = ref<InstanceType<typeof SearchField>>()

watch(words, (now) => void router.replace({ query: { ...route.query, words: now || undefined } }))

const look = (where: FindPlace) => void router.replace({ query: { ...route.query, in: where || undefined } })

useKeys('Find', [{ key: 'F2', label: 'To the words', run: () => field.value?.focus() }])
</script>

<template>
  <div class="view">
    <h1 class="sr-only">Find</h1>
    <SearchField ref="field" v-model="typed" @down="found?.first()" />
    <KeptSearches :words="typed" :sort="sort" @choose="choose" />
    <div v-if="words.trim()" class="sorts" role="group" aria-label="What is found">
      <PlainButton
        v-for="one in SORTS"
        :key="one.value"
        :aria-pressed="sort === one.value"
        @click="turn(one.value)"
        >{{ one.text }}
        <small>{{
          (one.value === 'mail' ? total : things?.counts[one.value])?.toLocaleString('en-GB')
        }}</small>
      </PlainButton>
    </div>
    <div v-if="isMail" class="places" role="group" aria-label="Where to look">
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
      <span v-if="total !== undefined" class="slate total" role="status">{{
        counted(total, 'conversation')
      }}</span>
      <EmptyBin v-if="place === 'bin' && total && !words && !bearing" :total="total" />
    </div>
    <FoundThings v-if="!isMail" ref="found" :words="words" :sort="sort" />
    <FoundMail
      v-else
      ref="found"
      :words="words"
      :place="place"
      :label="bearing"
      :list="listId"
      @found="(count) => (total = count)"
    >
      <template #none>
        <EmptyState :title="words || bearing || listId ? 'Nothing found' : 'Nothing here'">
          <template v-if="words"
            >No conversation is like that{{ place ? ' in this place' : '' }}. Fewer letters find more; a
            refinement can be taken out or turned round.</template
          >
          <template v-else-if="listId && !bearing"
            >No mail belongs to this list{{ place ? ' in this place' : '' }}. <KeyCap name="F7" /> puts it
            there, from the tray, a conversation or here.</template
          >
          <template v-else-if="bearing">Nothing here bears that label.</template>
          <template v-else-if="place === 'muted'"
            >Muted conversations stay out of the tray whatever arrives (<KeyCap name="8" />). Bring one back,
            and it is not muted any more.</template
          >
          <template v-else-if="place === 'bin'"
            >Deleted conversations stay here for 30 days and can be put back.</template
          >
          <template v-else>When mail comes in, it can be found here.</template>
        </EmptyState>
      </template>
    </FoundMail>
    <p v-if="!words" class="slate can">
      Words are looked for in subjects, people, texts and what is attached, in any order and from their
      beginnings: <b>tam lant</b> finds Tam’s letter about the lantern. <b>“a phrase”</b> stands together;
      <b>not</b>, <b>or</b> and brackets do what they say. Besides words: <b>from ada</b>,
      <b>before last friday</b>, <b>in march</b>, <b>in archive</b>, <b>list roof</b>, <b>with pdf</b>,
      <b>asks something</b>, <b>overdue</b>. What stands in quotes is looked for as it stands.
    </p>
  </div>
</template>

<style scoped>
.sorts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  border-bottom: 1px solid var(--v-edge);
}

.sorts button {
  padding: 3px 0;
  color: var(--v-slate);
  border-bottom: 2px solid transparent;
}

.sorts button[aria-pressed='true'] {
  font-weight: 600;
  color: rgb(var(--v-theme-on-surface));
  border-bottom-color: rgb(var(--v-theme-primary));
}

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

.end .link {
  padding-right: 14px;
}
</style>
