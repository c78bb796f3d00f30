import { expect, test } from './desk'

test('a stamp says what it will do to this very mail, does it in one step, and is undone as one', async ({
  desk,
  page,
}) => {
  const row = page.getByRole('listitem').filter({ hasText: 'Reminder: invoice 77310' })
  const slip = page.getByRole('dialog', { name: 'A stamp' })
  await row.getByRole('link').focus()
  await desk.press('Shift+Digit1')
  await expect(slip.getByRole('heading')).toContainText('Invoice')
  await expect(slip.getByRole('listitem').first()).toHaveText('Label money')
  await expect(slip.getByRole('listitem').nth(1)).toContainText('in Office, due')
  await desk.press('Escape')
  await expect(slip).toHaveCount(0)
  await expect(row).toBeVisible()

  await desk.press('Shift+Digit1')
  await expect(slip.getByRole('listitem').nth(1)).toBeVisible()
  await desk.press('Shift+Digit1')
  await expect(row).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'What you did last' })).toContainText('Stamped')
  await desk.press('Control+z')
  await expect(row).toBeVisible()
})

test('several are stamped at once with the mouse, and one that cannot be keeps all of them', async ({
  desk,
  page,
}) => {
  const row = (subject: string) => page.getByRole('listitem').filter({ hasText: subject })
  for (const subject of ['Bell rope', 'Key to the oil store']) {
    await row(subject).getByRole('link').focus()
    await desk.press('Control+ ')
  }
  await page.getByRole('button', { name: /After the weekend/ }).click()
  const slip = page.getByRole('dialog', { name: 'A stamp' })
  await expect(slip.getByRole('heading', { level: 3 })).toHaveText(['Key to the oil store', 'Bell rope'])
  await expect(slip.getByText(/^Away: back Tue/)).toHaveCount(2)
  await slip.getByRole('button', { name: 'Apply it' }).click()
  await expect(slip).toHaveCount(0)
  await expect(row('Bell rope')).toHaveCount(0)
  await desk.press('Control+z')
  await expect(row('Bell rope')).toBeVisible()

  await row('Undelivered mail returned').getByRole('link').focus()
  await desk.press('Shift+Digit2')
  await expect(slip.getByText(/^Not possible: /)).toBeVisible()
  await expect(slip.getByRole('button', { name: 'Apply it' })).toBeDisabled()
})

test('a stamp is made, refused where it makes no sense, and used in a clearing', async ({ desk, page }) => {
  await page.goto('/settings')
  const stamps = page.locator('section.part').filter({ has: page.getByRole('heading', { name: 'Stamps' }) })
  await stamps.getByRole('button', { name: 'New stamp' }).click()
  const dialog = page.getByRole('dialog', { name: 'Stamp' })
  await dialog.getByRole('textbox', { name: 'What it is called' }).fill('For the trustees')
  await dialog.getByLabel('Its key').selectOption('Shift + 4')
  await dialog.getByLabel('Add a step').selectOption('Put labels on')
  await dialog.getByRole('textbox', { name: 'Labels, with commas' }).fill('trustees')
  await dialog.getByLabel('Add a step').selectOption('Snooze')
  await dialog.getByRole('textbox', { name: 'When it comes back' }).fill('blursday')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('"blursday":')
  await desk.press('Escape')
  await stamps.getByRole('button', { name: 'New stamp' }).click()
  await expect(dialog.getByRole('textbox', { name: 'When it comes back' })).toHaveValue('blursday')
  await dialog.getByRole('textbox', { name: 'When it comes back' }).fill('in 3 days')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(stamps.getByText('label trustees, away until in 3 days')).toBeVisible()

  await page.goto('/clear')
  const sheet = page.getByRole('heading', { level: 1 })
  await expect(page.getByRole('button', { name: /For the trustees/ })).toBeVisible()
  const subject = await sheet.textContent()
  await desk.press('Shift+Digit4')
  await expect(page.getByRole('dialog', { name: 'A stamp' }).getByText('Label trustees')).toBeVisible()
  await desk.press('Enter')
  await expect(sheet).not.toHaveText(subject ?? '')
  await expect(page.getByText(/1 decided/)).toBeVisible()
  await desk.press('Control+z')
})

test('a stamp is made of what was just done', async ({ desk, page }) => {
  const row = page.getByRole('listitem').filter({ hasText: 'Proof of the winter leaflet' })
  await row.getByRole('link').focus()
  await desk.press('F4')
  await page.keyboard.type('money')
  await desk.press('Enter')
  await expect(row).toContainText('money')
  await row.getByRole('link').focus()
  await desk.press('5')
  await expect(row).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await page
    .getByRole('group', { name: 'What you did last' })
    .getByRole('button', { name: 'Make a stamp of it' })
    .first()
    .click()
  const dialog = page.getByRole('dialog', { name: 'Stamp' })
  await expect(dialog.getByRole('textbox', { name: 'Labels, with commas' })).toHaveValue('money')
  await expect(dialog.getByRole('group', { name: 'Archive' })).toBeVisible()
  await dialog.getByRole('textbox', { name: 'What it is called' }).fill('Paid')
  await desk.press('Enter')
  await expect(dialog).toHaveCount(0)
  await page.goto('/settings')
  await expect(page.getByText('label money, archived')).toBeVisible()
})
