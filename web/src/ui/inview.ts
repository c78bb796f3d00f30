import { nextTick, watch, type Ref } from 'vue'

/** What unfolds within is in view, however low the window is. */
export function useInView(root: Ref<HTMLElement | undefined>, unfolded: Ref<unknown>): void {
  watch(unfolded, async (now) => {
    if (!now) return
    await nextTick()
    root.value?.querySelector('.fields')?.scrollIntoView({ block: 'nearest' })
  })
}
