<script setup lang="ts">
import { computed, ref } from 'vue'
import { attempt } from '@/shared/notice'
import { today } from '@/shared/time/format'
import { dragged, endDrag } from '@/ui/drag'
import DayRow, { type Held } from './DayRow.vue'
import { useLaid, useLayMail } from './laid'
import { useAgendaSteps } from './steps'

/** The row of today, above the rail in every view: mail and tasks can be put down on its hours. */
const { data, tasks, laid, shown, put, pull } = useLaid(today, 1)
const { lay } = useAgendaSteps()
const layMail = useLayMail()

const held = ref<Held | null>(null)
/** What is on its way from another view counts, too. */
const onItsWay = computed<Held | null>(() => held.value ?? (dragged.value ? { grab: 0 } : null))
async function drop(what: Held, date: string, time: string | null): Promise<void> {
  const when = { date, ...(time ? { time } : {}) }
  const from = dragged.value
  endDrag()
  if (what.thing) await put(what.thing, { date, time, minutes: what.thing.minutes })
  else if (what.task) await attempt(() => lay(what.task ?? '', when))
  else if (from?.kind === 'task')
    await attempt(() =>
      lay(
        from.tasks.map(({ id }) => id),
        when,
      ),
    )
  else if (from) await attempt(() => layMail([...from.rows], when, from.clearing))
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
