import { expect, test } from './desk'

test('what orders took past the tray is summed up, looked at and taken back', async ({ desk, page }) => {
  await page.getByRole('button', { name: 'look' }).click()
  const past = page.getByRole('dialog', { name: 'What went past the tray' })
  await expect(past.getByRole('listitem')).toHaveCount(2)
  await expect(past.getByRole('listitem').first()).toContainText('Weather desk')
  await past.getByRole('button', { name: 'Undo: Sea state for Merrow Sound' }).click()
  await expect(past.getByRole('listitem')).toHaveCount(1)
  await past.getByRole('button', { name: 'Take back all of today' }).click()
  await expect(past.getByRole('status')).toContainText('taken back')
  await desk.press('Escape')
  await expect(page.getByRole('listitem').filter({ hasText: 'Small craft warning lifted' })).toBeVisible()
})

test('always do this: the condition is proposed, counted against the mail that is here, and kept', async ({
  desk,
  page,
}) => {
  const row = page.getByRole('listitem').filter({ hasText: 'Tide & Time weekly' })
  await row.getByRole('link').focus()
  await desk.press('6')
  await expect(row).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await page.getByRole('button', { name: 'Always do this' }).first().click()
  const dialog = page.getByRole('dialog', { name: 'Standing order' })
  await dialog.getByRole('radio', { name: 'from anybody at tideandtime.example' }).click()
  await expect(dialog.getByText(/^It would have matched \d+ conversations? in the last year/)).toBeVisible()
  await dialog.getByRole('button', { name: 'What would happen?' }).click()
  await expect(dialog.getByText('nothing: it is decided already').first()).toBeVisible()
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog).toHaveCount(0)
  await page.goto('/settings')
  const orders = page
    .locator('section.part')
    .filter({ has: page.getByRole('heading', { name: 'Standing orders' }) })
  await expect(orders.getByText('Mail from anybody at tideandtime.example: deleted.')).toBeVisible()
})

test('an order is written, refused where it makes no sense, put in order and carried out on old mail', async ({
  desk,
  page,
}) => {
  await page.goto('/settings')
  const orders = page
    .locator('section.part')
    .filter({ has: page.getByRole('heading', { name: 'Standing orders' }) })
  await orders.getByRole('button', { name: 'New standing order' }).click()
  const dialog = page.getByRole('dialog', { name: 'Standing order' })
  await dialog.getByRole('textbox', { name: 'What it is called' }).fill('Roof')
  await dialog.getByRole('textbox', { name: 'from the address' }).fill('nobody')
  await expect(dialog.getByText('"nobody" is no address.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Remove: from the address' }).click()
  await dialog.getByLabel('Add a condition').selectOption('with in the subject …')
  await dialog.getByRole('textbox', { name: 'with in the subject' }).fill('scaffold')
  await dialog.getByLabel('Add a step').selectOption('Put labels on')
  await dialog.getByRole('textbox', { name: 'Labels, with commas' }).fill('tower works')
  await expect(dialog.getByText(/It would have matched [2-9] conversations/)).toBeVisible()
  await desk.press('Escape')
  await orders.getByRole('button', { name: 'New standing order' }).click()
  await expect(dialog.getByRole('textbox', { name: 'with in the subject' })).toHaveValue('scaffold')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(orders.getByRole('listitem').last()).toContainText('Mail with “scaffold” in its subject')
  await orders.getByRole('button', { name: 'Roof before the one above' }).click()
  await expect(orders.getByRole('listitem').last()).not.toContainText('Roof')
  await orders.getByRole('button', { name: 'Roof on old mail' }).click()
  const old = page.getByRole('dialog', { name: 'On old mail' })
  await old.getByRole('button', { name: 'Carry it out' }).click()
  await expect(old.getByText(/Carried out on [2-9] conversations/)).toBeVisible()
  await old.getByRole('button', { name: 'Done' }).click()
  await page.goto('/find')
  await page
    .getByLabel('With the label')
    .selectOption({ label: 'tower works (2)' })
    .catch(() => undefined)
  await expect(page.getByRole('listitem').filter({ hasText: 'scaffold' }).first()).toContainText(
    'tower works',
  )
})
