<script setup lang="ts">
import { computed, ref } from 'vue'
import { newId } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { attempt } from '@/shared/notice'
import { claimOf } from '@/shared/steps/decide'
import { today } from '@/shared/time/format'
import { asProposed, proposalsOf, useTaskSteps } from '@/features/tasks'
import { dragged, endDrag } from '@/ui/drag'
import DayRow, { type Held } from './DayRow.vue'
import { useMoves } from './moves'
import { hoursShown, minutesOf } from './place'
import { useAgenda } from './queries'
import { useAgendaSteps } from './steps'
import { thingsOf, type Spot, type Thing } from './things'

/** The row of today, above the rail in every view: mail and tasks can be put down on its hours. */
const { account } = useSession()
const { data } = useAgenda(today, 1)
const { lay, move } = useAgendaSteps()
const { makeTasks } = useTaskSteps()
const tasks = computed(() => new Map(data.value?.tasks.map((task) => [task.id, task])))
const { laid, put, hold } = useMoves(
  computed(() => thingsOf(data.value?.days ?? [], data.value?.events ?? [], tasks.value)),
  move,
)
const shown = computed(() => {
  const { from, to } = account.value?.settings.agenda ?? { from: '07:00', to: '19:00' }
  return hoursShown(
    { from: minutesOf(from), to: minutesOf(to, true) },
    laid.value.flatMap(({ time, minutes }) =>
      time ? [{ from: minutesOf(time), to: minutesOf(time) + minutes }] : [],
    ),
  )
})

const held = ref<Held | null>(null)
/** What is on its way from another view counts, too. */
const onItsWay = computed<Held | null>(() => held.value ?? (dragged.value ? { grab: 0 } : null))
async function drop(what: Held, date: string, time: string | null): Promise<void> {
  const when = { date, ...(time ? { time } : {}) }
  const from = dragged.value
  endDrag()
  if (what.thing) await put(what.thing, { date, time, minutes: what.thing.minutes })
  else if (what.task) await attempt(() => lay(what.task ?? '', when))
  else if (from?.kind === 'task') await attempt(() => Promise.all(from.tasks.map(({ id }) => lay(id, when))))
  else if (from)
    await attempt(async () => {
      const rows = [...from.rows]
      const proposals = await proposalsOf(rows.map(({ id }) => id))
      const of = new Map(proposals.map((one) => [one.conversation, one.proposal]))
      const made = rows.map((row) => ({
        ...asProposed(row, of.get(row.id), {}),
        id: newId(),
        conversation: claimOf(row),
      }))
      await makeTasks(made, from.clearing)
      for (const { id } of made) await lay(id, when)
    })
}
const pulled = ref<Spot | null>(null)
function pull(one: Thing, to: Spot | null): void {
  if (to) hold(one, (pulled.value = to))
  else if (pulled.value) void put(one, pulled.value)
  if (!to) pulled.value = null
}
</script>

<template>
  <ol v-if="data?.days[0]" class="pinned" aria-label="Today">
    <DayRow
      :day="data.days[0]"
      :things="laid"
      :tasks="tasks"
      :shown="shown"
      :held="onItsWay"
      :writing="null"
      read-only
      @hold="held = $event"
      @put="drop"
      @pull="pull"
      @choose="$router.push({ name: 'agenda' })"
    />
  </ol>
</template>

<style scoped>
.pinned {
  padding: 6px 12px 0;
  margin: 0;
  list-style: none;
}

.pinned :deep(.day) {
  margin-bottom: 6px;
}

@media (max-width: 760px) {
  .pinned {
    display: none;
  }
}
</style>
