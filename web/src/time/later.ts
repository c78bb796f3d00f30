/** Does it once what has changed is on screen: what nobody waits for does not hold up what somebody does. */
export function later(work: () => void): void {
  // No frame comes in a window that nobody sees.
  const wait = document.hidden ? (then: () => void) => then() : requestAnimationFrame
  wait(() => setTimeout(work))
}
