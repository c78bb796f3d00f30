import { useQueryClient } from '@tanstack/vue-query'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { answer, api, newId } from '@/shared/api/client'
import { useRunningClock } from '@/shared/api/heartbeat'
import { attempt, say } from '@/shared/notice'
import { useAskAgain } from '@/shared/steps/steps'
import { present } from '@/shared/time/clock'
import { spanText, workText } from '@/shared/time/span'

/** A stretch of work that has ended. */
export interface Stretch {
  id: string
  title: string
  seconds: number
}

/** Seconds; a clock that ran for longer was perhaps forgotten, so it is asked how long it was. */
const LONG = 4 * 3600

const asked = shallowRef<Stretch | null>(null)

/** The stretch of which it is asked how long it was, while it is. */
export const askedOf = computed(() => asked.value)

export const askHowLong = (stretch: Stretch | null): void => {
  asked.value = stretch
}

/** Starts and pauses the clock of tasks, of which one runs at most. */
export function useClock() {
  const running = useRunningClock()
  const queries = useQueryClient()
  const askAgain = useAskAgain()

  async function look(): Promise<void> {
    await queries.refetchQueries({ queryKey: ['heartbeat'] })
    await askAgain(['stretch'])
  }

  async function start(task: { id: string }): Promise<boolean> {
    const isStarted = await attempt(() => answer(api.PUT('/clock', { body: { id: newId(), task: task.id } })))
    await look()
    return isStarted
  }

  async function pause(): Promise<void> {
    await attempt(async () => {
      const { paused } = await answer(api.DELETE('/clock'))
      if (!paused) return
      say(`${workText(paused.seconds)} on “${paused.title}”.`)
      if (paused.seconds > LONG) askHowLong(paused)
    })
    await look()
  }

  const runs = (task: { id: string }): boolean => running.value?.task === task.id
  const turn = (task: { id: string }): Promise<unknown> => (runs(task) ? pause() : start(task))

  return { running, start, pause, runs, turn }
}

/** How long the clock that runs has run: this stretch, and all of the task. Moved on each second. */
export function useSeconds() {
  const running = useRunningClock()
  const seconds = ref(0)
  const look = () =>
    (seconds.value = running.value
      ? Math.max(0, Math.floor((present().getTime() - Date.parse(running.value.begins)) / 1000))
      : 0)
  const { pause, resume } = useIntervalFn(look, 1000, { immediate: false })
  watch(
    running,
    (now) => {
      look()
      if (now) resume()
      else pause()
    },
    { immediate: true },
  )
  return { stretch: seconds, whole: computed(() => seconds.value + (running.value?.before ?? 0)) }
}

/** As it is written into the field that asks. */
export const asWritten = (stretch: Stretch): string => spanText(Math.max(1, Math.round(stretch.seconds / 60)))
