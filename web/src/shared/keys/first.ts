import type { Directive } from 'vue'

/**
 * v-first: what is typed first goes here. The focus is there with the element, in the same moment, and is never taken
 * from somebody afterwards.
 */
export const vFirst: Directive<HTMLElement, boolean | undefined> = {
  mounted: (element, { value }) => {
    if (value === false) return
    const field = element.matches('input, textarea, button, h1')
      ? element
      : element.querySelector<HTMLElement>('input, textarea, button')
    field?.focus({ preventScroll: true })
  },
}
