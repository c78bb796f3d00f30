import { expect, test } from './desk'

test('an invitation is answered with two keys, stands in the agenda, and is taken back', async ({
  desk,
  page,
}) => {
  const before = await desk.count('Tray')
  await desk.open('Invitation: Roof meeting')
  const card = page.getByRole('button', { name: /^Invitation not answered yet/ })
  await expect(card).toContainText('Clashes with')
  await desk.press('F8')
  const dialog = page.getByRole('dialog', { name: 'Invitation' })
  await expect(dialog).toContainText('Clashes with')
  await desk.expectAccessible('answering an invitation')
  await dialog.getByLabel('A sentence that goes along').fill('I bring the survey.')
  await desk.press('Escape')
  await expect(dialog).toHaveCount(0)
  await desk.press('F8')
  await expect(dialog.getByLabel('A sentence that goes along')).toHaveValue('I bring the survey.')
  await desk.press('1')
  await desk.expectCount('Tray', before - 1)
  await expect(page.getByText('Invitation answered').first()).toBeVisible()
  await desk.undoByKey()
  await desk.expectCount('Tray', before)
})

test('another time is proposed with the mouse', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await desk.open('Invitation: Roof meeting')
  await page.getByRole('button', { name: /^Invitation not answered yet/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Invitation' })
  await dialog.getByRole('button', { name: 'Another time' }).click()
  await dialog.locator('.slate button').first().click()
  await dialog.getByRole('button', { name: 'Propose it' }).click()
  await desk.expectCount('Tray', before - 1)
  await expect(page.getByText('proposed, to Sennen Roe').first()).toBeVisible()
  await desk.undoLast()
  await desk.expectCount('Tray', before)
})

test('what a letter says takes place is put into the agenda with one key, its words marked', async ({
  desk,
  page,
}) => {
  await desk.open('Delivery of the scaffold: which tide?')
  const card = page.getByRole('button', { name: /Into the agenda/ })
  await expect(card).toContainText('06:40 to 07:40')
  await desk.press('F8')
  const dialog = page.getByRole('dialog', { name: 'Event' })
  await expect(dialog.locator('mark')).toContainText('06:40')
  const title = dialog.getByLabel('What takes place')
  await expect(title).toHaveValue(/Delivery of the scaffold/)
  await title.fill('The scaffold arrives')
  await desk.press('Escape')
  await expect(dialog).toHaveCount(0)
  await card.click()
  await expect(dialog.getByLabel('What takes place')).toHaveValue('The scaffold arrives')
  await desk.expectAccessible('an event from a letter')
  await desk.press('Control+Enter')
  await expect(dialog).toHaveCount(0)
  await desk.goTo('Agenda')
  const there = page.locator('[data-ref^="event"]').filter({ hasText: 'The scaffold arrives' })
  await expect(page.locator('li.day').first()).toBeVisible()
  await page.waitForLoadState('networkidle')
  for (let pages = 0; pages < 3 && !(await there.count()); pages += 1) {
    await desk.press('PageDown')
    await page.waitForLoadState('networkidle')
  }
  await expect(there).toBeVisible()
  await desk.undoByKey()
  await expect(there).toHaveCount(0)
})

test('others are asked to an event of one’s own by mail, and all of it is undone', async ({ desk, page }) => {
  await desk.goTo('Agenda')
  await desk.press('0')
  const dialog = page.getByRole('dialog', { name: 'Event' })
  await dialog.getByLabel('What takes place').fill('Tide walk')
  await dialog.getByRole('textbox', { name: 'When' }).fill('in 3 days 15:00-16:00')
  await expect(dialog.getByLabel('Ask them by mail')).toHaveCount(0)
  await dialog.getByRole('combobox', { name: 'With' }).fill('olga@brandt-roofs.example,')
  await expect(dialog.getByLabel('Ask them by mail')).toBeChecked()
  await desk.press('Control+Enter')
  await expect(dialog).toHaveCount(0)
  await page.goto('/going-out')
  await expect(desk.row('Invitation: Tide walk')).toBeVisible()
  await desk.press('Control+z')
  await expect(desk.row('Invitation: Tide walk')).toHaveCount(0)
})
