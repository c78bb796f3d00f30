import { expect, test, type Desk } from './desk'

const DECIDING = ['1', '2', '3', '4', '5', '6', '7', '8', ' ', 'Enter']

/** Notes, for each key that decided, how long it took until the next subject was painted. */
async function watchPace(desk: Desk): Promise<void> {
  await desk.page.evaluate((keys) => {
    const times: number[] = []
    Object.assign(window, { paces: times })
    let pressed = 0
    let before = ''
    const subject = () => document.querySelector('.conversation h1')?.textContent ?? ''
    window.addEventListener(
      'keydown',
      (event) => {
        if (!keys.includes(event.key)) return
        pressed = performance.now()
        before = subject()
      },
      { capture: true },
    )
    new MutationObserver(() => {
      if (!pressed || subject() === '' || subject() === before) return
      const began = pressed
      pressed = 0
      requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - began)))
    }).observe(document.body, { subtree: true, childList: true, characterData: true })
  }, DECIDING)
}

/** Decides what is on top with the keyboard: mostly as advised, now and then otherwise. */
async function decideTop(desk: Desk, turn: number): Promise<void> {
  const { page } = desk
  const advised = await page.locator('.card.advised .text').innerText()
  if (turn % 7 === 3) return desk.press('5')
  if (turn % 7 === 5) return desk.press('3', '1')
  if (turn === 8) return desk.press('8')
  if (turn === 9) return desk.press('6')
  if (turn === 11) return desk.press('7', 'Enter')
  if (turn === 13 || advised === 'Hand over') {
    await desk.press('4')
    await page.keyboard.type('Petra')
    return desk.press('Control+Enter')
  }
  const before = await page.locator('.conversation h1').innerText()
  await desk.press('Space')
  // What is advised may have changed since it was read: then the clock runs, and it is done.
  const clock = page.getByRole('button', { name: 'A task instead' })
  const next = page.locator('.conversation h1, .summary h1').filter({ hasNotText: before })
  await expect(clock.or(next).first()).toBeVisible()
  if (await clock.isVisible()) await desk.press('1')
}

test('the whole tray is cleared with the keyboard alone, and any step is undone', async ({ desk, page }) => {
  test.setTimeout(600_000)
  const all = await desk.count('Tray')
  expect(all).toBeGreaterThan(30)
  await desk.press('Space')
  const subject = page.locator('.conversation h1')
  await expect(subject).toBeVisible()
  await watchPace(desk)

  for (let turn = 0; turn < all + 10; ++turn) {
    await expect(page.locator('.conversation h1, .summary h1')).toBeVisible()
    if (await page.locator('.summary').isVisible()) break
    const before = await subject.innerText()
    await expect(page.locator('.card.advised')).toBeVisible()
    await decideTop(desk, turn)
    await expect(page.locator('.conversation h1, .summary h1'), `turn ${turn}`).not.toHaveText(before)
    if (turn === 4) {
      const decided = await subject.innerText()
      await desk.press('Control+z')
      await expect(subject).not.toHaveText(decided)
    }
  }
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The tray is empty')
  await expect(page.getByText(/\d+ conversations decided in/)).toBeVisible()
  await desk.expectCount('Tray', 0)
  await page.screenshot({ path: 'tests/browser/results/the-end.png' })

  const paces = (await page.evaluate(() => (window as unknown as { paces: number[] }).paces)).sort(
    (a, b) => a - b,
  )
  const at = (share: number) =>
    (paces[Math.min(paces.length - 1, Math.floor(paces.length * share))] ?? 0).toFixed(0)
  console.log(
    `from a deciding key to the next conversation painted, ${paces.length} times: median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms`,
  )
  expect(paces.length).toBeGreaterThan(all / 2)

  // Any step, not only the last ones: the first, one in the middle, and the last.
  await desk.goTo('Journal')
  const undos = page.getByRole('button', { name: /^Undo: (Archived|Deleted|Done at once|Task made|Snoozed)/ })
  await expect(undos.first()).toBeVisible()
  for (const [step, index] of [all - 8, 14, 0].entries()) {
    await undos.nth(index).click()
    await desk.expectCount('Tray', step + 1)
  }

  // Who was blocked was whoever lay on top: the journeys that follow may need their letters.
  await page.goto('/settings')
  const letIn = page.getByRole('button', { name: 'Let in again' })
  await expect(letIn.first()).toBeVisible()
  for (let blocked = await letIn.count(); blocked > 0; --blocked) {
    await letIn.first().click()
    await expect(letIn).toHaveCount(blocked - 1)
  }
})
