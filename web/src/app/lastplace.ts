/**
 * The place to which the page was scrolled, for when one comes back to it. The router reads it when the page goes,
 * and the browser has just given the page up: it would work out all styles and places once more, before it begins
 * with the next page. So the place is remembered while one scrolls.
 */
export function rememberPlace(): void {
  let place = { left: 0, top: 0 }
  let isLeaving = false
  window.addEventListener('scroll', () => (place = { left: window.scrollX, top: window.scrollY }), {
    passive: true,
  })
  window.addEventListener('pageshow', () => (isLeaving = false))
  window.addEventListener('pagehide', () => {
    isLeaving = true
    const state = history.state as Record<string, unknown> | null
    if (state) history.replaceState({ ...state, scroll: place }, '')
  })
  // Next it is told that it is hidden, which is nothing new to anybody. A page in another tab is hidden without leaving.
  window.addEventListener(
    'visibilitychange',
    (event) => isLeaving && document.visibilityState === 'hidden' && event.stopImmediatePropagation(),
    { capture: true },
  )
}
