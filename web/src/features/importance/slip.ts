import { ref } from 'vue'
import type { ConversationRow } from '@/shared/api/client'

/** The key that asks how much a conversation matters. */
export const WEIGH = 'Alt+ArrowUp'

/** Of which conversation it is asked. */
export const weighed = ref<ConversationRow | null>(null)

export const weigh = (row: ConversationRow | undefined): void => void (weighed.value = row ?? null)
