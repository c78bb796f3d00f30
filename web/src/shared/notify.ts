import { ref } from 'vue'
import type { Ring } from './api/client'
import { subjectOf } from './words'

type Permission = 'default' | 'granted' | 'denied' | 'missing'

const current = (): Permission => ('Notification' in window ? Notification.permission : 'missing')

/** Whether reminders may be shown outside the page. */
export const permission = ref<Permission>(current())

export async function askPermission(): Promise<void> {
  if (!('Notification' in window)) return
  permission.value = await Notification.requestPermission()
}

export const titleOf = (ring: Ring): string =>
  ring.task?.title ?? ring.event?.title ?? (ring.conversation ? subjectOf(ring.conversation) : '')

/** Says it outside the page, quietly; of several windows once, since they name it alike. */
export function notify(ring: Ring, open: () => void): void {
  if (permission.value !== 'granted') return
  const from = ring.task?.source?.who ?? ring.conversation?.who
  const notification = new Notification(titleOf(ring), {
    tag: ring.id,
    body: [from ? `From ${from}` : '', ring.reminder].filter(Boolean).join('\n'),
    silent: true,
  })
  notification.onclick = () => {
    window.focus()
    notification.close()
    open()
  }
}
