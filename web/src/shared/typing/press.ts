/** Whether a pointer is down: between its press and its release what lies under it must not move away. */
let isDown = false
let waiting: (() => void)[] = []
let limit = 0

/** Milliseconds; who holds longer does not click, or the release went to another window. */
const LONGEST = 2000

function released(): void {
  if (!isDown) return
  isDown = false
  window.clearTimeout(limit)
  // The click itself comes between the release and this.
  setTimeout(() => {
    const now = waiting
    waiting = []
    for (const run of now) run()
  })
}

function down(): void {
  isDown = true
  window.clearTimeout(limit)
  limit = window.setTimeout(released, LONGEST)
}

window.addEventListener('pointerdown', down, { capture: true })
for (const end of ['pointerup', 'pointercancel', 'dragend'])
  window.addEventListener(end, released, { capture: true })
// The whole window's, not that of a field which the press leaves.
window.addEventListener('blur', (event) => event.target === window && released())

/** Now, or after the click that is being made: what folds when the focus goes elsewhere would take the click along. */
export function afterPress(run: () => void): void {
  if (isDown) waiting.push(run)
  else run()
}

/** When the click that is being made is done; now when none is. */
export const pressed = (): Promise<void> => new Promise((done) => afterPress(done))
