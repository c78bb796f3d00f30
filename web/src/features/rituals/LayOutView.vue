<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { attempt } from '@/shared/notice'
import { today } from '@/shared/time/format'
import { shortSpan } from '@/shared/time/span'
import { useKeys } from '@/shared/keys/registry'
import { DayRow, ShortList, useAgendaSteps, useLaid, type Held } from '@/features/agenda'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ShareRail from '@/ui/ShareRail.vue'
import { ChoiceDot, LinkButton } from '@/ui/kit'
import AskDesk from './AskDesk.vue'
import { groupsOf, leftText } from './asks'
import { useMorning } from './queries'
import { useDaySteps } from './steps'
import { useDayWalk } from './useDayWalk'

/** A few minutes in the morning: what is asked about, one thing after the other, beside the row of today that fills. */
const router = useRouter()
const { data, error, refetch, dataUpdatedAt } = useMorning()
const { laidOut } = useDaySteps()
const { data: agenda, tasks, laid, shown, put, pull } = useLaid(today, 1)
const { lay } = useAgendaSteps()
const keystone = computed(() => data.value?.keystone ?? null)
const day = computed(() => agenda.value?.days[0])
const asks = computed(() => data.value?.asks)
const leave = () => void router.push({ name: 'agenda' })
const { current, left, skipped, decided, again, pass, cards, question, chosen, stone, ask } = useDayWalk(
  'Lay out today',
  asks,
  dataUpdatedAt,
  keystone,
  'morning',
  leave,
  () => day.value?.hours === null,
)

const over = computed(() => (day.value ? day.value.promised - day.value.there : 0))
const short = computed(() => (agenda.value?.short ?? []).filter(({ by }) => by === today()))
/** What of the day can be its keystone. */
const ofToday = computed(() => {
  const ids = [
    ...(day.value?.slots.filter(({ done }) => !done).map(({ task }) => task) ?? []),
    ...(day.value?.due ?? []),
  ]
  return [...new Set(ids)].flatMap((id) => tasks.value.get(id) ?? [])
})
const stoneName = computed(() => tasks.value.get(keystone.value ?? '')?.title)

const held = ref<Held | null>(null)
const drop = ({ thing, task }: Held, date: string, time: string | null) =>
  thing
    ? put(thing, { date, time, minutes: thing.minutes })
    : attempt(() => lay(task ?? '', { date, ...(time ? { time } : {}) }))

async function finish(): Promise<void> {
  if (await attempt(() => laidOut(today()))) leave()
}
useKeys('Lay out today', [
  {
    key: 'Enter',
    label: 'The day is laid out',
    when: () => !!data.value && !current.value,
    run: () => void finish(),
  },
])
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1 v-first tabindex="-1">Lay out today</h1>
      <small v-if="left.length" class="slate">{{ groupsOf(left) }}</small>
      <ShareRail v-if="left.length + decided" class="share" :share="decided / (decided + left.length)" />
      <v-btn v-keyed="'Escape'" variant="text" @click="leave">Later <KeyCap name="Esc" /></v-btn>
    </div>
    <ol v-if="day" class="row" aria-label="Today">
      <DayRow
        :day="day"
        :things="laid"
        :tasks="tasks"
        :shown="shown"
        :held="held"
        :writing="null"
        read-only
        @hold="held = $event"
        @put="drop"
        @pull="pull"
        @choose="leave"
      />
    </ol>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <AskDesk
      v-else-if="current"
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
      <h2 v-if="!day">The day is laid out</h2>
      <h2 v-else-if="!day.hours">
        {{ day.promised ? `A day off, with ${shortSpan(day.promised)} on it` : 'A day off' }}
      </h2>
      <h2 v-else-if="over > 0" class="over">It holds {{ shortSpan(over) }} too much</h2>
      <h2 v-else-if="!day.promised">Nothing is promised for today</h2>
      <h2 v-else>It fits</h2>
      <p v-if="day?.hours">
        {{ shortSpan(day.promised) }} promised,
        {{ day.there ? shortSpan(day.there) : 'no hours' }} there<template
          v-if="over <= 0 && day.there > day.promised"
          >; {{ shortSpan(day.there - day.promised) }} are left</template
        >.
      </p>
      <ShortList v-if="short.length" :short="short" :tasks="tasks" />
      <p v-if="skipped.length">
        {{ leftText(skipped.length) }} <LinkButton @click="again">Look at them again</LinkButton>
      </p>
      <fieldset v-if="ofToday.length">
        <legend>
          {{ stoneName ? 'The keystone of today' : 'Which one makes today a good day? It is the keystone.' }}
        </legend>
        <label v-for="task in ofToday" :key="task.id">
          <ChoiceDot
            :model-value="keystone ?? ''"
            name="keystone"
            :value="task.id"
            @update:model-value="stone(task.id)"
          />
          {{ task.title }}
        </label>
      </fieldset>
      <v-btn v-keyed="'Enter'" color="primary" @click="finish"
        >The day is laid out <KeyCap name="Enter"
      /></v-btn>
    </section>
  </div>
</template>

<style scoped src="./rituals.css"></style>
