<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { attempt } from '@/shared/notice'
import { useKeys } from '@/shared/keys/registry'
import { age, day as dayText } from '@/shared/time/format'
import { counted } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton, PlainButton } from '@/ui/kit'
import AheadRows from './AheadRows.vue'
import AskDesk from './AskDesk.vue'
import { leftText } from './asks'
import NextStep from './NextStep.vue'
import SmallPlot from './SmallPlot.vue'
import { useLookBack } from './queries'
import { useDaySteps } from './steps'
import { countsOf, plotsOf, stopAt, STOPS } from './stops'
import { useDayWalk } from './useDayWalk'

/** A walk over the week, stop by stop. It can be left at any of them, and goes on there. */
const router = useRouter()
const { data, error, refetch, dataUpdatedAt } = useLookBack()
const { goTo, endWeek } = useDaySteps()
const stop = computed(() => data.value?.stop ?? 'completed')
const here = computed(() => STOPS.find((one) => one.stop === stop.value))
const counts = computed(() => (data.value ? countsOf(data.value) : null))
const next = computed(() => stopAt(stop.value, 1))
const before = computed(() => stopAt(stop.value, -1))
const leave = () => void router.push({ name: 'agenda' })
const asks = computed(() =>
  data.value && stop.value in data.value.asks
    ? data.value.asks[stop.value as keyof typeof data.value.asks]
    : undefined,
)
const { current, left, skipped, again, pass, cards, question, chosen, ask } = useDayWalk(
  'Look back',
  asks,
  dataUpdatedAt,
  computed(() => null),
  'week',
  leave,
)
const plots = computed(() => plotsOf(data.value?.figures ?? []))

const go = (to = next.value): void => {
  const week = data.value?.from
  if (week && to) void attempt(() => goTo(week, to))
}
async function finish(): Promise<void> {
  const week = data.value?.from
  if (week && (await attempt(() => endWeek(week)))) leave()
}
useKeys('Look back', [
  {
    key: 'Enter',
    label: 'The next stop',
    when: () => !!data.value,
    run: () => (next.value ? go() : void finish()),
  },
  { key: 'Backspace', label: 'The stop before', when: () => !!before.value, run: () => go(before.value) },
])
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1 v-first tabindex="-1">Look back</h1>
      <small v-if="data" class="slate">{{ dayText(data.from) }} to {{ dayText(data.until) }}</small>
      <v-btn v-keyed="'Escape'" class="later" variant="text" @click="leave"
        >Later <KeyCap name="Esc"
      /></v-btn>
    </div>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <template v-else>
      <nav class="stops" aria-label="Stops">
        <PlainButton
          v-for="one in STOPS"
          :key="one.stop"
          :aria-current="one.stop === stop ? 'step' : undefined"
          @click="go(one.stop)"
        >
          {{ one.name }} <b v-if="counts?.[one.stop]" class="slate">{{ counts[one.stop] }}</b>
        </PlainButton>
      </nav>
      <h2>{{ here?.asks }}</h2>

      <section v-if="stop === 'completed'" class="sheet part">
        <p v-if="data.keystones.chosen">
          {{ data.keystones.done }} of {{ counted(data.keystones.chosen, 'keystone') }} laid.
        </p>
        <ul v-if="data.completed.length" class="completed">
          <li v-for="task in data.completed" :key="task.id">
            <router-link class="plain" :to="{ name: 'tasks', params: { id: task.id } }">{{
              task.title
            }}</router-link>
          </li>
        </ul>
        <p v-else class="slate">No task was completed.</p>
      </section>
      <template v-else-if="asks">
        <AskDesk
          v-if="current"
          :ask="current"
          :keystone="null"
          :left="left.length"
          :cards="cards"
          :question="question"
          @choose="chosen"
          @pass="pass"
          @close="ask = null"
        />
        <p v-else-if="skipped.length">
          {{ leftText(skipped.length) }} <LinkButton @click="again">Look at them again</LinkButton>
        </p>
        <p v-else class="slate">Nothing here.</p>
      </template>
      <section v-else-if="stop === 'lists'" class="sheet part">
        <NextStep v-for="list in data.lists" :key="list.id" :list="list" />
        <p v-if="!data.lists.length" class="slate">Each list has something that can be done next.</p>
      </section>
      <p v-else-if="stop === 'tray'" class="sheet part">
        <template v-if="data.tray.conversations">
          {{
            data.tray.conversations === 1
              ? '1 conversation is'
              : `${data.tray.conversations} conversations are`
          }}
          undecided<template v-if="data.tray.oldest"
            >; the oldest came {{ age(data.tray.oldest) }} ago</template
          >.
          <router-link class="link" to="/clear">Clear it</router-link>
        </template>
        <template v-else>The tray is empty.</template>
      </p>
      <AheadRows v-else-if="stop === 'ahead'" class="sheet part" :days="data.ahead" />
      <div v-else class="plots">
        <SmallPlot
          v-for="plot in plots"
          :key="plot.name"
          :plot="plot"
          :weeks="data.figures.map(({ week }) => week)"
        />
      </div>

      <div class="on">
        <v-btn v-if="next" v-keyed="'Enter'" color="primary" @click="go()"
          >Next <KeyCap name="Enter"
        /></v-btn>
        <v-btn v-else v-keyed="'Enter'" color="primary" @click="finish"
          >That was the week <KeyCap name="Enter"
        /></v-btn>
        <v-btn v-if="before" v-keyed="'Backspace'" variant="text" @click="go(before)">
          Back <KeyCap name="Backspace" />
        </v-btn>
        <span v-if="data.ended" class="slate">You have looked back over this week.</span>
      </div>
    </template>
  </div>
</template>

<style scoped src="./rituals.css"></style>
<style scoped>
.later {
  margin-left: auto;
}

.stops {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 4px;
  margin-bottom: 14px;
  border-bottom: 1px solid var(--v-edge);
}

.stops button {
  padding: 8px 12px;
  font-weight: 550;
  border-bottom: 3px solid transparent;
}

.stops button[aria-current] {
  border-bottom-color: rgb(var(--v-theme-primary));
}

.stops b {
  font-weight: 550;
}

h2 {
  margin: 0 0 14px;
  font-size: var(--type-head);
  font-weight: 600;
}

.part {
  max-width: 900px;
  padding: 18px 22px;
}

.part p {
  margin: 0 0 8px;
}

.completed {
  padding: 0;
  margin: 0;
  list-style: none;
  columns: 2;
}

.completed li {
  padding: 3px 0;
  break-inside: avoid;
  overflow-wrap: anywhere;
}

.completed .plain {
  color: inherit;
}

.plots {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 12px;
}

.on {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 22px;
}

@media (max-width: 760px) {
  .completed {
    columns: 1;
  }
}
</style>
