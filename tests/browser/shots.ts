import { expect, test, type Desk } from './desk'

const FOLDER = 'docs/screenshots'

async function shoot(desk: Desk, name: string): Promise<void> {
  await desk.page.waitForLoadState('networkidle')
  await desk.page.mouse.move(0, 0)
  await desk.page.screenshot({ path: `${FOLDER}/${name}.png` })
}

test('pictures of the views', async ({ desk, page }) => {
  await shoot(desk, 'tray')
  await page
    .getByRole('region', { name: 'For information' })
    .getByRole('button', { name: /^Select \d+/ })
    .click()
  await desk.press('3')
  await expect(page.getByText('Tomorrow morning')).toBeVisible()
  await shoot(desk, 'tray-snooze')
  await desk.press('Escape', 'Escape')

  await page.getByRole('button', { name: 'Sweep what is left' }).click()
  await expect(page.getByText('Tick what can go')).toBeVisible()
  await shoot(desk, 'sweep')
  await desk.press('Escape')

  await desk.open('Rota for December')
  await shoot(desk, 'conversation')
  await desk.press('Escape')
  await desk.open('Before the inspection')
  await desk.press('2')
  await expect(page.getByLabel('What is to be done?')).toBeFocused()
  await page.getByLabel('List').fill('Roof')
  await desk.press('Tab')
  await shoot(desk, 'make-a-task')
  await page.getByRole('button', { name: 'Make the task' }).click()

  await desk.goTo('Tasks')
  await desk.row('Send Olga').getByRole('link').click()
  await expect(page.getByText('Open alone')).toBeVisible()
  await shoot(desk, 'tasks')
  await desk.press('Control+Enter')
  await expect(page.getByText('Its conversation is in the archive')).toBeVisible()
  await shoot(desk, 'source-alone')

  await desk.goTo('Coming back')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  await shoot(desk, 'coming-back')
  await desk.goTo('Find')
  await page.getByRole('textbox', { name: 'Find words' }).fill('lens')
  await expect(page.getByRole('status')).not.toContainText('1')
  await shoot(desk, 'find')
  await desk.goTo('Journal')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  await shoot(desk, 'journal')
})

test('pictures on a phone', async ({ desk, page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await desk.goTo('Tray')
  await shoot(desk, 'phone-tray')
})

test('pictures of a clearing', async ({ desk, page }) => {
  test.setTimeout(240_000)
  await desk.press('Space')
  await expect(page.locator('.conversation h1')).toBeVisible()
  for (let passed = 0; passed < 3; ++passed) await desk.press('ArrowRight')
  await expect(page.locator('.conversation h1')).toHaveText(/Before the inspection|Interim report/)
  await shoot(desk, 'clearing')
  await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
  await shoot(desk, 'clearing-dark')
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })

  for (let back = 0; back < 3; ++back) await desk.press('ArrowLeft')
  const status = page.getByRole('status').filter({ hasText: 'left' })
  for (let turn = 0; turn < 60; ++turn) {
    await expect(page.locator('.conversation h1, .summary h1')).toBeVisible()
    if (await page.locator('.summary').isVisible()) break
    const before = await status.innerText()
    const advised = await page.locator('.card.advised .text').innerText()
    if (turn % 6 === 4) await desk.press('3', '2')
    else if (advised === 'Do it now') await desk.press('1', '1')
    else if (advised === 'Hand over') await desk.press('5')
    else await desk.press('Space')
    await expect(page.getByText(before, { exact: true })).toHaveCount(0)
  }
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The tray is empty')
  await shoot(desk, 'clearing-end')
  await page.goto('/settings')
  await expect(page.getByText('Let in again').first()).toBeVisible()
  await shoot(desk, 'settings')
})
