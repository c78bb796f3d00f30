import { toValue, type MaybeRefOrGetter } from 'vue'
import { answer, api, type ComingKind } from '@/shared/api/client'
import { useParts } from '@/shared/api/parts'

/** Everything that comes, on its time line. */
export const useComing = (kinds: MaybeRefOrGetter<ComingKind[]>) =>
  useParts(['coming', kinds], (after, signal) =>
    answer(api.GET('/coming', { signal, params: { query: { kinds: toValue(kinds).join(','), after } } })),
  )
