<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useClock, useSeconds, PAUSE } from '@/features/clock'
import { SubtaskList, TaskFacts, TaskSources, useCompleting, useTask } from '@/features/tasks'
import { useKeys } from '@/shared/keys/registry'
import { clockText, spanText } from '@/shared/time/span'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MarkdownText from '@/ui/MarkdownText.vue'
import ShareRail from '@/ui/ShareRail.vue'

/** One task alone on screen, with a clock. Leaving says how long it was. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const { data: task, error, refetch } = useTask(() => props.id)
const { complete, check } = useCompleting()
const { running, start, pause, runs, turn } = useClock()
const { stretch, whole } = useSeconds()

const row = computed(() => task.value?.row)
const isRunning = computed(() => running.value?.task === props.id)
const before = computed(() => task.value?.time.seconds ?? 0)
const seconds = computed(() => (isRunning.value ? whole.value : before.value))
/** How much of its estimate has gone. */
const left = computed(() =>
  row.value?.estimate ? Math.max(0, 1 - seconds.value / (60 * row.value.estimate)) : null,
)

/** The clock begins when the task is there, once for each visit. */
let begun = ''
watch(
  row,
  (now) => {
    if (!now || now.completedAt || begun === now.id) return
    begun = now.id
    if (!runs(now)) void start(now)
  },
  { immediate: true },
)

const hasCome = (window.history.state as { back?: string | null } | null)?.back
function leave(): void {
  if (hasCome) router.back()
  else void router.push({ name: 'tasks', params: { id: props.id } })
}
onBeforeUnmount(() => {
  if (isRunning.value) void pause()
})

async function finish(): Promise<void> {
  const now = row.value
  const was = isRunning.value
  if (was) await pause()
  if (await complete([props.id])) leave()
  else if (was && now) void start(now)
}

useKeys('Focus', [
  { key: 'Escape', label: 'Leave, and say how long it was', run: leave },
  {
    key: PAUSE,
    label: 'Pause the clock, or go on',
    when: () => !!row.value && !row.value.completedAt,
    run: () => void (row.value && turn(row.value)),
  },
  {
    key: ' ',
    label: 'Complete it',
    when: () => !!row.value && !row.value.completedAt,
    run: () => void finish(),
  },
])
</script>

<template>
  <div class="page focus">
    <FailedState v-if="error && !task" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!task || !row" />
    <article v-else class="sheet">
      <div class="clock" :class="{ still: !isRunning }">
        <span class="time" role="timer" aria-label="The clock">{{ clockText(isRunning ? stretch : 0) }}</span>
        <span class="slate">
          <template v-if="before">{{ clockText(seconds) }} in all</template>
          <template v-if="before && row.estimate"> of </template>
          <template v-if="row.estimate">{{ before ? '' : 'of ' }}{{ spanText(row.estimate) }}</template>
          <template v-if="task.time.usual"> ({{ task.time.usual }})</template>
        </span>
        <ShareRail v-if="left !== null" :share="left" />
      </div>
      <h1 v-first tabindex="-1" :class="{ done: row.completedAt }">{{ row.title }}</h1>
      <TaskFacts :task="task" />
      <MarkdownText v-if="task.notes" class="notes" :text="task.notes" />
      <SubtaskList :task="task" @check="check" />
      <div class="actions">
        <template v-if="!row.completedAt">
          <v-btn v-keyed="' '" color="primary" @click="finish">Complete <KeyCap name=" " /></v-btn>
          <v-btn v-keyed="PAUSE" variant="outlined" @click="turn(row)">
            {{ isRunning ? 'Pause' : 'Go on' }} <KeyCap :name="PAUSE" />
          </v-btn>
        </template>
        <v-btn v-keyed="'Escape'" variant="text" @click="leave">Leave <KeyCap name="Esc" /></v-btn>
      </div>
      <TaskSources :task="task" />
    </article>
  </div>
</template>

<style scoped>
.focus {
  max-width: 860px;
  margin: 0 auto;
  padding: 24px 20px 60px;
}

.sheet {
  padding: 30px 40px 36px;
}

.clock {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
}

.clock :deep(.rail) {
  flex: 1;
  align-self: center;
  min-width: 120px;
}

.time {
  font-size: var(--type-title);
  font-weight: 650;
  line-height: 1.1;
  font-variant-numeric: tabular-nums;
}

.still .time {
  color: var(--v-slate);
}

h1 {
  outline: none;
  margin: 14px 0 14px;
  font-size: var(--type-title);
  font-weight: 650;
  line-height: 1.25;
  overflow-wrap: anywhere;
}

h1.done {
  text-decoration: line-through;
  color: var(--v-slate);
}

.notes {
  margin-top: 16px;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 20px;
}

@media (max-width: 760px) {
  .focus {
    padding: 8px 0 40px;
  }

  .sheet {
    padding: 20px 16px 24px;
  }
}
</style>
