import { useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, newId, type Clearing, type ClearingOrder } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { useClearing } from './queries'

/** A clearing from its beginning to its end. It goes on after a reload, since its address names it. */
export function useClearingRun(order: Ref<ClearingOrder>) {
  const route = useRoute()
  const router = useRouter()
  const queries = useQueryClient()

  const id = ref(String(route.query.of ?? '') || newId())
  const isBegun = ref(false)
  const ended = ref<Clearing | null>(null)
  const { data: clearing, dataUpdatedAt } = useClearing(id, isBegun)
  const counted = computed(() => clearing.value?.decided ?? 0)
  /** Decisions that are on their way, and those that have arrived since the server counted. */
  const going = ref(0)
  const arrived = ref(0)
  watch(dataUpdatedAt, () => (arrived.value = 0))

  async function begin(): Promise<void> {
    const known = route.query.of
      ? await answer(api.GET('/clearings/{id}', { params: { path: { id: id.value } } })).catch(() => null)
      : null
    if (known?.endedAt) id.value = newId()
    if (!known || known.endedAt) {
      await answer(api.POST('/clearings', { body: { id: id.value, order: order.value } }))
      // What waited for it has come back.
      void queries.invalidateQueries({ queryKey: ['tray'] })
    }
    isBegun.value = true
    await router.replace({ query: { of: id.value } })
  }
  onMounted(() => attempt(begin))

  return {
    id,
    clearing,
    ended,
    isBegun,
    decided: computed(() => counted.value + going.value + arrived.value),
    count: () => ++going.value,
    /** What was counted is decided; the server counts it from now on. */
    settle(): void {
      --going.value
      ++arrived.value
    },
    /** What was counted has not been decided after all. */
    uncount: () => --going.value,
    async end(): Promise<void> {
      if (ended.value || !isBegun.value) return
      await attempt(async () => {
        ended.value = await answer(api.PUT('/clearings/{id}/end', { params: { path: { id: id.value } } }))
      })
    },
    async anew(): Promise<void> {
      ended.value = null
      isBegun.value = false
      id.value = newId()
      await attempt(begin)
    },
    /** It was looked at in this clearing and left undecided. */
    async passOver(conversation: string): Promise<void> {
      const params = { path: { id: conversation } }
      const body = { occasion: id.value }
      await attempt(() => answer(api.POST('/conversations/{id}/touches', { params, body })))
      // The tray is asked for again when it is looked at.
      await queries.invalidateQueries({ queryKey: ['tray'], refetchType: 'none' })
    },
  }
}
