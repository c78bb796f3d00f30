/** "90" as "1 hour and 30 minutes", which is read again as the same. */
export function spanText(minutes: number | null | undefined): string {
  if (!minutes) return ''
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60]
  const parts = [
    hours ? `${hours} ${hours === 1 ? 'hour' : 'hours'}` : '',
    rest ? `${rest} ${rest === 1 ? 'minute' : 'minutes'}` : '',
  ]
  return parts.filter(Boolean).join(' and ')
}

/** "1 h 30" for a narrow place. */
export function shortSpan(minutes: number): string {
  if (minutes < 60) return `${minutes} min`
  return minutes % 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60}` : `${minutes / 60} h`
}

/** Seconds by a clock: "0:42", "1:05:09". */
export function clockText(seconds: number): string {
  const [hours, minutes, rest] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  const two = (number: number) => String(number).padStart(2, '0')
  return hours ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`
}

/** How long somebody was at something, to the minute; what is less than one is still something. */
export const workText = (seconds: number): string =>
  seconds < 60 ? 'under a minute' : shortSpan(Math.round(seconds / 60))
