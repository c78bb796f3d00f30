import { ref } from 'vue'
import type { Span } from './place'

/** Minutes of what a click alone means. */
const CLICK = 60

/**
 * Hours are drawn with the mouse; a click means an hour from there.
 *
 * @param minuteAt the minute of the day at a place on screen
 */
export function useDrawing(
  minuteAt: (x: number) => number,
  done: (span: Span) => void,
  isOff: () => boolean,
) {
  const drawn = ref<Span | null>(null)

  function draw(event: PointerEvent): void {
    if (isOff() || event.button !== 0 || event.pointerType === 'touch') return
    const from = minuteAt(event.clientX)
    const target = event.currentTarget as HTMLElement
    target.setPointerCapture(event.pointerId)
    drawn.value = { from, to: from }
    const move = ({ clientX }: PointerEvent) => {
      const at = minuteAt(clientX)
      drawn.value = { from: Math.min(from, at), to: Math.max(from, at) }
    }
    const stop = () => {
      target.removeEventListener('pointermove', move)
      const span = drawn.value
      drawn.value = null
      if (span) done(span.to > span.from ? span : { from: span.from, to: span.from + CLICK })
    }
    target.addEventListener('pointermove', move)
    target.addEventListener('lostpointercapture', stop, { once: true })
  }

  return { drawn, draw }
}
