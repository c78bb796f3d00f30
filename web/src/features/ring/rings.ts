import { useSessionStorage } from '@vueuse/core'
import { nextTick } from 'vue'

/** Whether the reminders are folded into the bar. */
export const folded = useSessionStorage('zippy-tray.reminders-folded', false)

/** Shows them, with the focus on the first. */
export async function unfoldRings(): Promise<void> {
  folded.value = false
  await nextTick()
  document.querySelector<HTMLElement>('.rings button.title')?.focus()
}
