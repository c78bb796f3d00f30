import { computed } from 'vue'
import { answer, api, newId } from '@/shared/api/client'
import { useCounts } from '@/shared/api/heartbeat'
import { attempt } from '@/shared/notice'
import { useSteps } from '@/shared/steps/steps'

/** The key that lets mail in before its hour. */
export const LET_IN = '<'

/** Mail that has arrived and waits for its hour, and how it comes in at once. */
export function useLetIn() {
  const { data: counts } = useCounts()
  const { letIn } = useSteps(({ done }) => ({
    letIn: async () => done(await answer(api.POST('/let-in', { body: { entry: newId() } }))),
  }))
  const held = computed(() => counts.value?.held ?? 0)
  const comesIn = computed(() => counts.value?.comesIn ?? null)
  const run = () => attempt(letIn)
  return { held, comesIn, letIn: run }
}
