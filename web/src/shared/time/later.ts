/** Does it once what has changed is on screen: what nobody waits for does not hold up what somebody does. */
export function later(work: () => void): void {
  // No frame comes in a window that nobody sees.
  const wait = document.hidden ? (then: () => void) => then() : requestAnimationFrame
  wait(() => setTimeout(work))
}

/** What has changed is on screen, or the page is being left, where nothing may wait any more. */
export const onScreen = (): Promise<void> =>
  new Promise((resolve) => {
    const go = (): void => {
      removeEventListener('pagehide', go)
      resolve()
    }
    addEventListener('pagehide', go)
    later(go)
  })
