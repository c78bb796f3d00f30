import type { Directive } from 'vue'
import { cap } from './registry'

/** v-keyed="'3'": the key that does the same as this button, said in its tooltip and to who does not see it (ARIA). */
export const vKeyed: Directive<HTMLElement, string> = {
  mounted: (element, { value }) => {
    element.title = element.title ? `${element.title} (${cap(value)})` : cap(value)
    element.setAttribute('aria-keyshortcuts', value === ' ' ? 'Space' : value.replace('Ctrl+', 'Control+'))
  },
}
