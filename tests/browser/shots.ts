import { expect, test, type Desk } from './desk'

const FOLDER = 'docs/screenshots'

async function shoot(desk: Desk, name: string): Promise<void> {
  await desk.page.waitForLoadState('networkidle')
  await desk.page.mouse.move(0, 0)
  await desk.page.screenshot({ path: `${FOLDER}/${name}.png` })
}

test('pictures of the views', async ({ desk, page }) => {
  await shoot(desk, 'tray')
  await desk.press('Home', 'ArrowDown', 'ArrowDown')
  await page
    .getByRole('region', { name: 'Today' })
    .getByRole('button', { name: /^Select \d+$/ })
    .click()
  await desk.press('3')
  await expect(page.getByText('Tomorrow morning')).toBeVisible()
  await shoot(desk, 'tray-snooze')
  await desk.press('Escape', 'Escape')

  await desk.open('Before the inspection')
  await shoot(desk, 'conversation')
  await desk.press('2')
  await expect(page.getByLabel('What is to be done?')).toBeFocused()
  await shoot(desk, 'make-a-task')
  await page.keyboard.type('Send Olga the signed access form')
  const due = new Date()
  due.setDate(due.getDate() + 3)
  await page.getByLabel('Due', { exact: true }).fill(due.toISOString().slice(0, 10))
  await page.getByLabel('List').fill('Roof')
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

test('pictures by night and on a phone', async ({ desk, page }) => {
  await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
  await desk.open('Rota for December')
  await shoot(desk, 'conversation-dark')
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await page.setViewportSize({ width: 390, height: 844 })
  await desk.goTo('Tray')
  await shoot(desk, 'phone-tray')
})
