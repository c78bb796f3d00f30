<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { When } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { attempt } from '@/shared/notice'
import { day as dayText, plusDays, today } from '@/shared/time/format'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import WhenDialog from '@/ui/WhenDialog.vue'
import { PlainButton } from '@/ui/kit'
import DayList from './DayList.vue'
import DayRow, { type Held } from './DayRow.vue'
import EventDialog from './EventDialog.vue'
import HourLine from './HourLine.vue'
import ShortList from './ShortList.vue'
import RitualLinks from './RitualLinks.vue'
import { isPinned } from './pinned'
import { LENGTHS, useAgendaKeys } from './agendaKeys'
import { useLaid } from './laid'
import { folded, part, timeOf, type Span } from './place'
import { askWhich } from './questions'
import { useAgendaSteps } from './steps'
import type { Spot, Thing } from './things'

/** The days with what lies on them, a row each. */
const route = useRoute()
const from = ref(/^\d{4}-\d{2}-\d{2}$/.test(String(route.query.day)) ? String(route.query.day) : today())
const { account } = useSession()
const length = useSessionStorage('zippy-agenda-days', account.value?.settings.agenda.days ?? 7)
const { data, error, refetch, tasks, laid, nudge, put, flush, shown, pull } = useLaid(from, length)
const { lay, moveTo, moveEventTo, jotEvent } = useAgendaSteps()
const router = useRouter()
const scale = computed(() => {
  const hours: number[] = []
  for (let at = shown.value.from + 60; at < shown.value.to; at += 60) hours.push(at)
  return hours
})
const short = computed(() => data.value?.short ?? [])
const title = (id: string) => tasks.value.get(id)?.title ?? ''

/** Days on which nobody works and nothing lies are one row, until they are unfolded. */
const unfolded = ref(new Set<string>())
const isFree = (date: string) => {
  const one = data.value?.days.find((day) => day.date === date)
  return (
    !!one &&
    !one.hours &&
    !one.due.length &&
    date !== today() &&
    !unfolded.value.has(date) &&
    !writing.value &&
    !laid.value.some(
      (thing) => thing.date <= date && (thing.date === date || thing.days > 1 || thing.minutes > 1440),
    )
  )
}
const rows = computed(() => folded(data.value?.days ?? [], ({ date }) => isFree(date)))
const unfold = (dates: string[]) => (unfolded.value = new Set([...unfolded.value, ...dates]))

/** What has the focus: something that lies there, or a task that lies nowhere yet. */
const root = ref<HTMLElement>()
const focused = ref<{ ref?: string; task?: string }>({})
const thing = computed(() => laid.value.find(({ ref: name }) => name === focused.value.ref))
function seek(event: FocusEvent): void {
  const { ref: name, task } = (event.target as HTMLElement).dataset
  focused.value = { ...(name ? { ref: name } : {}), ...(task ? { task } : {}) }
}
/** What was moved keeps the focus, wherever it lies now. */
async function moved(one: Thing, to: Spot): Promise<void> {
  nudge(one, to)
  if (to.date < from.value) from.value = to.date
  if (to.date >= plusDays(from.value, length.value)) from.value = plusDays(to.date, 1 - length.value)
  await nextTick()
  root.value?.querySelector<HTMLElement>(`[data-ref="${one.ref}"]`)?.focus()
}

const asked = ref<{ ref?: string; task?: string } | null>(null)
const meant = computed(() => laid.value.find(({ ref: name }) => name === asked.value?.ref))
const question = computed(() => {
  const name = meant.value?.title ?? title(asked.value?.task ?? '')
  return name ? `When will you do “${name}”?` : ''
})
async function chosen(when: When): Promise<void> {
  const { task } = asked.value ?? {}
  const one = meant.value
  const which = one?.repeats ? await askWhich(one) : 'one'
  if (!which) return
  const phrase = 'phrase' in when ? when.phrase : [when.date, when.time].filter(Boolean).join(' ')
  const well = await attempt(async () => {
    if (one?.kind === 'event') await moveEventTo(one, phrase, which === 'all')
    else if (one) await moveTo(one.id, when)
    else if (task) await lay(task, when)
  })
  if (well) asked.value = null
}

const held = ref<Held | null>(null)
const drop = ({ thing: one, task }: Held, date: string, time: string | null) =>
  one
    ? put(one, { date, time, minutes: one.minutes })
    : attempt(() => lay(task ?? '', { date, ...(time ? { time } : {}) }))
/** What is written on hours that are free. */
const writing = ref<{ date: string; span: Span } | null>(null)
const busy = ref(false)
const line = ref<InstanceType<typeof HourLine>[]>()
const nowhere = computed(() =>
  (data.value?.tasks ?? []).filter(
    ({ id, completedAt }) => !completedAt && !laid.value.some(({ task }) => task === id),
  ),
)
async function write(call: (date: string, span: Span) => Promise<unknown>): Promise<void> {
  const at = writing.value
  if (!at || busy.value) return
  busy.value = true
  if (await attempt(() => call(at.date, at.span))) {
    line.value?.[0]?.accepted()
    writing.value = null
  }
  busy.value = false
}
const writeEvent = (text: string) =>
  write((date, span) => {
    const [name = '', ...clauses] = text.split(';')
    const hours = `${date} ${timeOf(span.from)}-${timeOf(span.to % 1440)}`
    return jotEvent([`event ${name.trim()}`, hours, ...clauses].join('; '))
  })
const layTask = (task: string) =>
  write((date, span) =>
    lay(task, { date, time: timeOf(span.from) }, span.to - span.from === 60 ? null : span.to - span.from),
  )

useAgendaKeys({
  from,
  length,
  thing,
  focused,
  asked,
  tasks,
  moved,
  flush,
  keystone: (date) => data.value?.days.find((day) => day.date === date)?.keystone ?? null,
  openNew: () => void router.push({ name: 'agenda', query: { event: 'new' } }),
})
</script>

<template>
  <div ref="root" class="view" @focusin="seek" @focusout="focused = {}">
    <div class="view-head">
      <h1>Agenda</h1>
      <small v-if="short.length" class="warning">
        {{ short.length === 1 ? 'One task does' : `${short.length} tasks do` }} not fit before
        {{ short.length === 1 ? 'it is' : 'they are' }} due
      </small>
      <div class="lengths" role="group" aria-label="How many days">
        <PlainButton
          v-for="one in LENGTHS"
          :key="one.days"
          :aria-pressed="length === one.days"
          :title="`${one.text} (${one.key})`"
          @click="length = one.days"
          >{{ one.text }}</PlainButton
        >
      </div>
      <v-btn variant="text" :aria-pressed="isPinned" @click="isPinned = !isPinned">{{
        isPinned ? 'Unpin today' : 'Pin today'
      }}</v-btn>
      <div class="pages">
        <v-btn variant="text" aria-label="The days before these" @click="from = plusDays(from, -length)"
          >‹</v-btn
        >
        <v-btn variant="outlined" @click="from = today()">Today <KeyCap name="Home" /></v-btn>
        <v-btn variant="text" aria-label="The days after these" @click="from = plusDays(from, length)"
          >›</v-btn
        >
      </div>
      <v-btn color="primary" :to="{ name: 'agenda', query: { event: 'new' } }"
        >Event <KeyCap name="0"
      /></v-btn>
    </div>
    <RitualLinks :today="data?.days.find(({ date }) => date === today())" />
    <ShortList v-if="short.length" :short="short" :tasks="tasks" />
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <template v-else>
      <div class="scale" aria-hidden="true">
        <span v-for="at in scale" :key="at" :style="{ left: `${part(at, shown) * 100}%` }">{{
          at / 60
        }}</span>
      </div>
      <ol>
        <template v-for="row in rows" :key="row.days[0]?.date">
          <li v-if="row.isFolded" class="fold">
            <PlainButton @click="unfold(row.days.map(({ date }) => date))">
              <b>{{ row.days.map(({ date }) => dayText(date).split(' ')[0]).join(', ') }}</b>
              <span class="slate"
                >{{ row.days.map(({ date }) => dayText(date).split(' ')[1]).join(', ') }}, free</span
              >
            </PlainButton>
          </li>
          <template v-else>
            <DayRow
              v-for="one in row.days"
              :key="one.date"
              :day="one"
              :things="laid"
              :tasks="tasks"
              :shown="shown"
              :held="held"
              :writing="writing?.date === one.date ? writing.span : null"
              @hold="held = $event"
              @put="drop"
              @pull="pull"
              @write="(date, span) => (writing = { date, span })"
              @choose="((from = $event), (length = 1))"
            >
              <template #writing>
                <HourLine
                  ref="line"
                  :label="`${dayText(one.date)}, ${timeOf(writing?.span.from ?? 0)} to ${timeOf((writing?.span.to ?? 0) % 1440)}`"
                  :tasks="nowhere"
                  :busy="busy"
                  @event="writeEvent"
                  @task="layTask"
                  @close="writing = null"
                />
              </template>
            </DayRow>
          </template>
        </template>
      </ol>
      <DayList v-if="length === 1 && data.days[0]" :day="data.days[0]" :things="laid" :tasks="tasks" />
      <p class="slate hint">
        <KeyCap name="Tab" /> goes from one to the next · <KeyCap name="ArrowLeft" />
        <KeyCap name="ArrowRight" /> <KeyCap name="ArrowUp" /> <KeyCap name="ArrowDown" /> move it ·
        <KeyCap name="Shift+ArrowRight" /> longer · <KeyCap name="=" /> when? · a click on an hour, or typing
        there, writes
      </p>
    </template>
    <WhenDialog :title="question" label="When" first="" @choose="chosen" @close="asked = null" />
    <EventDialog />
  </div>
</template>

<style scoped src="./agenda.css"></style>
