<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { editCard } from './contactDialog'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import IndexTab from '@/ui/IndexTab.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import { OwedLine, useOwedSteps } from '@/features/owed'
import { counted, subjectOf } from '@/shared/words'
import { dueTab } from '@/shared/time/due'
import { age, nearMoment } from '@/shared/time/format'
import { usePerson } from './queries'
import { useContactSteps } from './steps'
import { LinkButton } from '@/ui/kit'

/** Somebody: what is open with them, their card, and what was written. */
const props = defineProps<{ email: string }>()
const router = useRouter()
const { settleOwed } = useOwedSteps()
const { deleteContact } = useContactSteps()
const { data, error, refetch } = usePerson(() => props.email)

const name = computed(() => data.value?.contact?.name || data.value?.person?.name || props.email)
const card = computed(() => data.value?.contact)
const owed = computed(() => (data.value?.owed ?? []).filter(({ state }) => state === 'open'))
const waiting = computed(() => (data.value?.conversations ?? []).filter(({ place }) => place === 'tray'))
const others = computed(() => (data.value?.conversations ?? []).filter(({ place }) => place !== 'tray'))
const isNothingOpen = computed(
  () => !owed.value.length && !waiting.value.length && !(data.value?.tasks.length ?? 0),
)
const facts = computed(() =>
  [
    ['Position', card.value?.position],
    ['Firm', card.value?.firm],
    ['Phones', card.value?.phones.join('\n')],
    ['Address', card.value?.address],
    ['Note', card.value?.note],
  ].filter(([, value]) => value),
)
</script>

<template>
  <div class="view">
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <template v-else>
      <div class="view-head">
        <h1>{{ name }}</h1>
        <v-btn
          variant="outlined"
          :to="{ name: 'write', query: { to: `${name === email ? '' : name} <${email}>` } }"
          >Write</v-btn
        >
        <v-btn variant="outlined" @click="editCard(card, email)">{{
          card ? 'Change the card' : 'Make a card'
        }}</v-btn>
      </div>
      <div class="sides">
        <div>
          <section class="sheet block" aria-label="Owed by them">
            <h2>Owed by them</h2>
            <ul v-if="owed.length">
              <OwedLine
                v-for="one in owed"
                :key="one.id"
                :owed="one"
                :current="false"
                @again="router.push({ name: 'write', query: { owed: one.id } })"
                @move="router.push('/owed')"
                @settle="(as) => attempt(() => settleOwed(one.id, as))"
              />
            </ul>
            <p v-else class="slate">Nothing.</p>
          </section>
          <section class="sheet block" aria-label="Owed to them">
            <h2>Owed to them</h2>
            <ul v-if="waiting.length || data.tasks.length">
              <li v-for="row in waiting" :key="row.id" class="line">
                <router-link class="plain body" :to="{ name: 'conversation', params: { id: row.id } }"
                  ><b>{{ subjectOf(row) }}</b>
                  <span class="slate">undecided, {{ age(row.latestAt) }}</span></router-link
                >
              </li>
              <li v-for="task in data.tasks" :key="task.id" class="line">
                <router-link class="plain body" :to="{ name: 'tasks', params: { id: task.id } }"
                  ><b>{{ task.title }}</b> <span class="slate">task</span></router-link
                >
                <IndexTab v-if="task.due" :near="dueTab(task.due, task.over).near">{{
                  dueTab(task.due, task.over).text
                }}</IndexTab>
              </li>
            </ul>
            <p v-else class="slate">{{ isNothingOpen ? 'Nothing is open between you.' : 'Nothing.' }}</p>
          </section>
          <section v-if="others.length" class="sheet block" aria-label="Written lately">
            <h2>Written lately</h2>
            <ul>
              <li v-for="row in others" :key="row.id" class="line">
                <router-link class="plain body" :to="{ name: 'conversation', params: { id: row.id } }"
                  ><b>{{ subjectOf(row) }}</b> <span class="slate">{{ row.excerpt }}</span></router-link
                >
                <span class="slate age">{{ age(row.latestAt) }}</span>
              </li>
            </ul>
          </section>
          <EmptyState v-if="!data.conversations.length" title="No mail yet">
            Nothing was written between you so far.
          </EmptyState>
        </div>
        <aside class="sheet block card">
          <p>
            <b>{{ email }}</b>
          </p>
          <p v-if="data.person" class="slate">
            {{ counted(data.person.received, 'message') }} from them, {{ data.person.sent }} to them, the last
            {{ nearMoment(data.person.lastAt) }}
          </p>
          <dl v-if="facts.length">
            <template v-for="[label, value] in facts" :key="label">
              <dt class="slate">{{ label }}</dt>
              <dd>{{ value }}</dd>
            </template>
          </dl>
          <p v-if="card" class="acts">
            <a class="link" :href="`/api/contacts.vcf?id=${card.id}`" download>Save as vCard</a>
            <LinkButton @click="attempt(() => deleteContact(card?.id ?? ''))"> Delete the card </LinkButton>
          </p>
        </aside>
      </div>
    </template>
  </div>
</template>

<style scoped src="@/ui/away-line.css"></style>
<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 18px;
  align-items: start;
}

.block {
  margin-bottom: 14px;
  padding: 10px 0 10px;
}

h2 {
  margin: 0 0 2px;
  padding: 0 18px;
  font-size: var(--type-note);
  font-weight: 600;
  color: var(--v-slate);
}

.block > p {
  margin: 2px 0;
  padding: 0 18px;
}

.age {
  padding-right: 18px;
}

dl {
  display: grid;
  gap: 1px;
  margin: 10px 0 0;
  padding: 0 18px;
}

dt {
  font-size: var(--type-small);
}

dd {
  margin: 0 0 7px;
  white-space: pre-line;
  overflow-wrap: anywhere;
}

.card .acts {
  display: flex;
  gap: 18px;
  margin-top: 8px;
  visibility: visible;
}

@media (max-width: 960px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
