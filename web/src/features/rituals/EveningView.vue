<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useKeys } from '@/shared/keys/registry'
import { attempt } from '@/shared/notice'
import { today } from '@/shared/time/format'
import { workText } from '@/shared/time/span'
import { counted } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton } from '@/ui/kit'
import AskDesk from './AskDesk.vue'
import { groupsOf, leftText } from './asks'
import { useEvening } from './queries'
import { useDaySteps } from './steps'
import { useDayWalk } from './useDayWalk'

/** A minute in the evening: what was done, and what goes on tomorrow. */
const router = useRouter()
const { data, error, refetch, dataUpdatedAt } = useEvening()
const { closed } = useDaySteps()
const keystone = computed(() => data.value?.keystone ?? null)
const asks = computed(() => data.value?.asks)
const leave = () => void router.push({ name: 'agenda' })
const { current, left, skipped, again, pass, cards, question, chosen, ask } = useDayWalk(
  'Evening look',
  asks,
  dataUpdatedAt,
  keystone,
  'evening',
  leave,
)
const isStoneDone = computed(() => data.value?.done.some(({ id }) => id === keystone.value) === true)
const closing = computed(() => {
  if (isStoneDone.value) return 'A good day: its keystone is laid'
  return skipped.value.length ? 'That was today' : 'Nothing is left hanging'
})
const figures = computed(() =>
  data.value
    ? [
        data.value.done.length ? `${counted(data.value.done.length, 'task')} done` : 'No task is done yet',
        `${data.value.decided === 1 ? '1 conversation' : `${data.value.decided} conversations`} decided`,
        ...(data.value.worked ? [`${workText(data.value.worked)} by the clock`] : []),
      ].join(' · ')
    : '',
)

async function finish(): Promise<void> {
  if (await attempt(() => closed(today()))) leave()
}
useKeys('Evening look', [
  {
    key: 'Enter',
    label: 'That was today',
    when: () => !!data.value && !current.value,
    run: () => void finish(),
  },
])
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1 v-first tabindex="-1">Evening look</h1>
      <small v-if="left.length" class="slate">{{ groupsOf(left) }}</small>
      <v-btn v-keyed="'Escape'" class="later" variant="text" @click="leave"
        >Later <KeyCap name="Esc"
      /></v-btn>
    </div>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <template v-else>
      <section class="done">
        <p class="figures">{{ figures }}</p>
        <ul v-if="data.done.length">
          <li v-for="task in data.done" :key="task.id">
            <router-link class="plain" :to="{ name: 'tasks', params: { id: task.id } }">{{
              task.title
            }}</router-link>
            <b v-if="task.id === keystone" class="stone">keystone</b>
          </li>
        </ul>
      </section>
      <AskDesk
        v-if="current"
        :ask="current"
        :keystone="keystone"
        :left="left.length"
        :cards="cards"
        :question="question"
        @choose="chosen"
        @pass="pass"
        @close="ask = null"
      />
      <section v-else class="sheet end">
        <h2>{{ closing }}</h2>
        <p v-if="skipped.length">
          {{ leftText(skipped.length) }} <LinkButton @click="again">Look at them again</LinkButton>
        </p>
        <v-btn v-keyed="'Enter'" color="primary" @click="finish"
          >That was today <KeyCap name="Enter"
        /></v-btn>
      </section>
    </template>
  </div>
</template>

<style scoped src="./rituals.css"></style>
<style scoped>
.later {
  margin-left: auto;
}

.done ul {
  padding: 0;
  margin: 0 0 16px;
  list-style: none;
  columns: 2;
}

.done li {
  break-inside: avoid;
  overflow-wrap: anywhere;
}

.done .plain {
  color: inherit;
}

.figures {
  margin: 0 0 8px;
  font-weight: 600;
}

.stone {
  margin-left: 6px;
  font-size: var(--type-small);
  color: rgb(var(--v-theme-primary));
}

@media (max-width: 760px) {
  .done ul {
    columns: 1;
  }
}
</style>
