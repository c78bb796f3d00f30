/** Whether a pointer is down: between its press and its release what lies under it must not move away. */
let isDown = false
let waiting: (() => void)[] = []

function released(): void {
  isDown = false
  // The click itself comes between the release and this.
  setTimeout(() => {
    const now = waiting
    waiting = []
    for (const run of now) run()
  })
}

window.addEventListener('pointerdown', () => (isDown = true), { capture: true })
for (const end of ['pointerup', 'pointercancel', 'dragend'])
  window.addEventListener(end, released, { capture: true })

/** Now, or after the click that is being made: what folds when the focus goes elsewhere would take the click along. */
export function afterPress(run: () => void): void {
  if (isDown) waiting.push(run)
  else run()
}
