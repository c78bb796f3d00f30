import { expect, test } from './desk'

test('labels are put on many by typing, filtered by, and taken off again', async ({ desk, page }) => {
  const row = (subject: string) => page.getByRole('listitem').filter({ hasText: subject })
  const slip = page.getByRole('dialog', { name: 'Labels' })
  for (const subject of ['Bell rope', 'Before the inspection']) {
    await row(subject).getByRole('link').focus()
    await desk.press('Control+ ')
  }
  await desk.press('F4')
  await expect(slip.getByRole('heading')).toHaveText('Label 2 conversations')
  await page.keyboard.type('tower')
  await expect(slip.getByRole('button', { name: 'Make “tower”' })).toBeVisible()
  await desk.press('Enter')
  await expect(slip).toHaveCount(0)
  await expect(row('Bell rope')).toContainText('tower')
  await desk.press('Escape')

  await page.getByLabel('With the label').selectOption('tower (2)')
  await expect(page.getByRole('heading', { name: '2 to decide with “tower”' })).toBeVisible()
  await page.getByRole('link', { name: /Bell rope/ }).focus()
  await desk.press('F4')
  await expect(slip.getByRole('button', { name: 'tower', pressed: true })).toBeVisible()
  await page.keyboard.type('tow')
  await desk.press('Enter')
  await expect(row('Bell rope')).toHaveCount(0)
  await desk.press('Control+z')
  await expect(row('Bell rope')).toContainText('tower')
  await page.getByLabel('With the label').selectOption('any label')
  await expect(row('Lantern glass').first()).toBeVisible()
})

test('what is typed stays when the slip is left, and a label that cannot be is refused beside it', async ({
  desk,
  page,
}) => {
  await page.getByRole('link', { name: /Key to the oil store/ }).click()
  await page.getByRole('button', { name: 'Label', exact: true }).click()
  const slip = page.getByRole('dialog', { name: 'Labels' })
  const field = slip.getByRole('textbox', { name: 'Which label?' })
  await field.fill('x'.repeat(45))
  await desk.press('Enter')
  await expect(slip.getByRole('alert')).toContainText('40 characters at most')
  await field.fill('for the key')
  await desk.press('Escape')
  await expect(slip).toHaveCount(0)
  await desk.press('F4')
  await expect(field).toHaveValue('for the key')
  await slip.getByRole('button', { name: 'Make “for the key”' }).click()
  await expect(slip.getByRole('button', { name: 'for the key', pressed: true })).toBeVisible()
  await desk.press('Escape')
  await expect(page.locator('.labels')).toContainText('for the key')
})

test('one label is on mail and tasks; it is renamed, merged and deleted, and each is undone', async ({
  desk,
  page,
}) => {
  await page.goto('/tasks?by=date')
  const task = page.getByRole('listitem').filter({ hasText: 'Buy stamps' })
  await task.getByRole('link').first().focus()
  await desk.press('7')
  await page.keyboard.type('harb')
  await desk.press('Enter')
  await expect(task).toContainText('harbour')
  await page.getByLabel('With the label').selectOption('harbour (1)')
  await expect(page.getByRole('listitem').filter({ hasText: 'Wind the lantern clock' })).toHaveCount(0)
  await expect(task).toBeVisible()

  await page.goto('/settings')
  const labels = page.locator('section.part').filter({ has: page.getByRole('heading', { name: 'Labels' }) })
  await labels.getByRole('button', { name: 'Change harbour' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox', { name: 'Name' }).fill('money')
  await desk.press('Enter')
  await expect(dialog.getByText('There is a label "money" already.')).toBeVisible()
  await dialog.getByRole('textbox', { name: 'Name' }).fill('the quay')
  await desk.press('Enter')
  await expect(labels.getByText('the quay')).toBeVisible()
  await labels.getByRole('button', { name: 'Change the quay' }).click()
  await dialog.getByLabel('Merge it into').selectOption('money')
  await dialog.getByRole('button', { name: 'Merge', exact: true }).click()
  await expect(labels.getByText('the quay')).toHaveCount(0)
  await labels.getByRole('button', { name: 'Change money' }).click()
  await dialog.getByRole('button', { name: 'Delete' }).click()
  await expect(labels.getByText('money')).toHaveCount(0)
  for (const back of ['money', 'the quay', 'harbour']) {
    await desk.press('Control+z')
    await expect(labels.getByText(back, { exact: true })).toBeVisible()
  }
})

test('several are labelled and made unread with the mouse alone', async ({ desk, page }) => {
  const row = (subject: string) => page.getByRole('listitem').filter({ hasText: subject })
  const slip = page.getByRole('dialog', { name: 'Labels' })
  for (const subject of ['Bell rope', 'Before the inspection']) {
    await row(subject).getByRole('checkbox').click()
  }
  const bar = page.getByRole('group', { name: 'Stamps' })
  await bar.getByRole('button', { name: 'Label' }).click()
  await expect(slip.getByRole('heading')).toHaveText('Label 2 conversations')
  await slip.getByRole('textbox', { name: 'Which label?' }).fill('both')
  await slip.getByRole('button', { name: 'Make “both”' }).click()
  await expect(row('Bell rope')).toContainText('both')
  await expect(row('Before the inspection')).toContainText('both')
  await desk.press('Escape')
  await expect(slip).toHaveCount(0)
  for (const subject of ['Bell rope', 'Before the inspection']) {
    await expect(row(subject).getByRole('checkbox')).toBeChecked()
  }
  const classes = () => row('Bell rope').getAttribute('class')
  const before = await classes()
  await bar.getByRole('button', { name: /(Unr|R)ead$/ }).click()
  await expect.poll(classes).not.toBe(before)
})

test('mail is unread again, from a row and from its sheet, and found by its label', async ({
  desk,
  page,
}) => {
  const row = page.getByRole('listitem').filter({ hasText: 'Bell rope' })
  await row.getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Bell rope')
  await page.goBack()
  await expect(row).not.toHaveClass(/unread/)
  await row.getByRole('link').focus()
  await desk.press('F9')
  await expect(row).toHaveClass(/unread/)
  await desk.press('F9')
  await expect(row).not.toHaveClass(/unread/)
  await row.getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Bell rope')
  await desk.press('F9')
  await page.goBack()
  await expect(row).toHaveClass(/unread/)

  await page.goto('/find')
  await page.getByLabel('With the label').selectOption({ label: 'roof survey (5)' })
  await expect(page.getByRole('status')).toHaveText('5 conversations')
  await expect(page.getByRole('listitem').filter({ hasText: 'Crane' })).toContainText('roof survey')
})
