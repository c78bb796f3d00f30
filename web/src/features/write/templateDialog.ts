import { ref } from 'vue'
import { newId, type Template } from '@/shared/api/client'

/** A template while it is written. */
export type TemplateDraft = Pick<Template, 'name' | 'subject' | 'text' | 'signed'> & {
  id: string
  isNew: boolean
}

/** The template that is being written, in a dialog of its own; null when none is. */
export const templating = ref<TemplateDraft | null>(null)

export function editTemplate(from: Omit<TemplateDraft, 'id' | 'isNew'>, id?: string): void {
  templating.value = { ...from, id: id ?? newId(), isNew: id === undefined }
}
