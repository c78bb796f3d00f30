<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
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
import FoundMail from './FoundMail.vue'
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
const found = ref<InstanceType<typeof FoundMail>>()
const field = ref<{ $el: HTMLElement }>()
const toWords = () => field.value?.$el.querySelector('input')?.focus()

watch(words, (now) => void router.replace({ query: { ...route.query, words: now || undefined } }))

const look = (where: FindPlace) => void router.replace({ query: { ...route.query, in: where || undefined } })

useKeys('Find', [{ key: 'F2', label: 'To the words', run: toWords }])
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
      @keydown.down.prevent="found?.first()"
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
      <span v-if="total !== undefined" class="slate total" role="status">{{
        counted(total, 'conversation')
      }}</span>
      <EmptyBin v-if="place === 'bin' && total && !words && !bearing" :total="total" />
    </div>
    <FoundMail
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
            >No conversation holds all of these words{{ place ? ' in this place' : '' }}. Fewer letters find
            more.</template
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
    <p v-if="total !== undefined && !words" class="slate can">
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
