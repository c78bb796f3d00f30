import { readonly, ref } from 'vue'

/** How far the program's time is ahead of this machine's, in milliseconds. */
let ahead = 0

const nowRef = ref(new Date())
const zoneRef = ref('UTC')

/** The program's time, moved on twice a minute. */
export const now = readonly(nowRef)

/** The zone of the person who is signed in. */
export const zone = readonly(zoneRef)

/** @param instant what the server says that it is now (RFC 3339, to the second) */
export function setClock(instant: string, milliseconds = 0, personZone?: string): void {
  ahead = Date.parse(instant) + milliseconds - Date.now()
  nowRef.value = new Date(Date.now() + ahead)
  if (personZone) zoneRef.value = personZone
}

/** The program's time, to the millisecond. */
export const present = (): Date => new Date(Date.now() + ahead)

/** Of the program's time; negative when it has passed. */
export const millisecondsUntil = (instant: string): number => Date.parse(instant) - Date.now() - ahead

setInterval(() => {
  nowRef.value = new Date(Date.now() + ahead)
}, 30_000)
