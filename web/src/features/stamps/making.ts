import { ref } from 'vue'
import { answer, api, newId, type Entry, type Stamp, type StampStep } from '@/shared/api/client'

/** A stamp while it is made or changed. */
export interface Making {
  id: string
  isNew: boolean
  name: string
  key: number | null
  steps: StampStep[]
  /** What of what was done cannot be part of it */
  left: string[]
}

/** The stamp that is being made, in a dialog of its own; null when none is. */
export const making = ref<Making | null>(null)

export function makeStamp(from?: Stamp): void {
  making.value = from
    ? { ...from, isNew: false, left: [] }
    : { id: newId(), isNew: true, name: '', key: null, steps: [], left: [] }
}

/** A stamp of what was just done, with what was done to the same mail shortly before. */
export async function makeStampOf({ id }: Pick<Entry, 'id'>): Promise<void> {
  const { steps, left } = await answer(api.GET('/stamp-proposal', { params: { query: { entry: id } } }))
  making.value = { id: newId(), isNew: true, name: '', key: null, steps, left }
}
