import { expect, test } from './desk'
import { addressTo, receive, sentAbout, text } from './post'

test('what is odd is said, what cannot be is refused, and nothing is sent by mistake', async ({
  desk,
  page,
}) => {
  await desk.press('+')
  await expect(page.getByRole('combobox', { name: 'To' })).toBeFocused()
  await page.keyboard.type('petra')
  await page.getByRole('textbox', { name: 'Subject' }).fill('Odd')
  await text(desk).focus()
  await page.keyboard.type('I attach the plan.')
  await desk.press('Control+Enter')
  await expect(page.getByText('"petra" is no address that mail can be sent to.')).toBeVisible()
  await page.getByRole('combobox', { name: 'To' }).fill('no-reply@ternpoint.example')
  await desk.press('Control+Enter')
  await expect(page.getByText('The text speaks of an attachment, and there is none.')).toBeVisible()
  await expect(page.getByText('no-reply@ternpoint.example does not read answers.')).toBeVisible()
  await page.locator('input[type=file]').setInputFiles({
    name: 'big.bin',
    mimeType: 'application/octet-stream',
    buffer: Buffer.alloc(30_000_000, 1),
  })
  await expect(page.getByText(/has 30\.0 MB; 25 MB at most/)).toBeVisible()
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'plan.txt', mimeType: 'text/plain', buffer: Buffer.from('The plan') })
  await expect(page.getByText('plan.txt')).toBeVisible()
  await expect(page.getByText('The text speaks of an attachment')).toHaveCount(0)
  expect(sentAbout('Odd')).toHaveLength(0)
  await page.getByRole('button', { name: 'Delete draft' }).click()
})

test('templates: made, asked and filled in, used', async ({ desk, page }) => {
  await page.goto('/settings')
  await page.getByRole('button', { name: 'New template' }).click()
  await page.getByLabel('What it is called').fill('Landing')
  await page
    .getByLabel('Text', { exact: true })
    .fill('Hello {first name}, the boat lands {when blursday} at {ask which pier}.')
  await page.getByRole('button', { name: 'Keep', exact: true }).last().click()
  await expect(page.getByText(/I cannot read "blursday"/)).toBeVisible()
  await page
    .getByLabel('Text', { exact: true })
    .fill('Hello {first name}, the boat lands {when next friday} at {ask which pier}.')
  await page.getByRole('button', { name: 'Keep', exact: true }).last().click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Landing' })).toBeVisible()
  await desk.press('+')
  await addressTo(desk, 'Edda')
  await text(desk).focus()
  await page.getByRole('button', { name: /^Template/ }).click()
  await page.getByRole('textbox', { name: 'Part of the name' }).fill('land')
  await desk.press('Enter')
  await page.getByLabel('which pier').fill('the north pier')
  await desk.press('Escape')
  await expect(page.getByLabel('which pier')).toBeHidden()
  await page.getByRole('button', { name: /^Template/ }).click()
  await expect(page.getByLabel('which pier')).toHaveValue('the north pier')
  await expect(page.getByLabel('which pier')).toBeFocused()
  await desk.press('Enter')
  await expect(text(desk)).toHaveValue(
    /^Hello Edda, the boat lands Friday \d+ \w+ at the north pier\.\n\n-- \nWren/,
  )
  await page.getByRole('button', { name: 'Delete draft' }).click()
  await page.goto('/settings')
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Landing' })
    .getByRole('button', { name: 'Delete' })
    .click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Landing' })).toHaveCount(0)
})

test('who is meant is taken from what was typed, however late people are found', async ({ desk, page }) => {
  await desk.intercept('**/api/people?*', async (route) => {
    await new Promise((done) => setTimeout(done, 700))
    await route.continue()
  })
  await desk.press('+')
  await expect(page.locator('input[role=combobox]:focus')).toBeVisible()
  await page.keyboard.type('Pe')
  await expect(page.getByRole('option').first()).toBeVisible()
  await page.keyboard.type('tra')
  await desk.press('Enter')
  // What is offered for it is on its way, and is given up as soon as something else stands there.
  const asked = page.waitForRequest((request) => request.url().includes('words=Bram'))
  await page.keyboard.type('Bram')
  await asked
  await desk.press('Enter')
  await expect(page.getByRole('combobox', { name: 'To' })).toHaveValue(
    /^Petra Lindqvist <\S+>, Bram Toller <\S+>, $/,
  )
  await page.getByRole('button', { name: 'Delete draft' }).click()
})

test('a person: their card from a signature, what is open with them, and cards as a file', async ({
  desk,
  page,
}) => {
  await receive(
    desk,
    'The new sash',
    'Moira Finlay <moira@finlay-joinery.example>',
    'When shall I come?\r\n\r\n-- \r\nMoira Finlay\r\nOwner, Finlay Joinery Ltd\r\nTel: +353 91 555 0160',
  )
  await desk.open('The new sash')
  await page.getByRole('button', { name: 'Contact card' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByLabel('Name', { exact: true })).toHaveValue('Moira Finlay')
  await expect(dialog.getByLabel('Phones')).toHaveValue('+353 91 555 0160')
  await expect(dialog.getByText('from “Tel: +353 91 555 0160”')).toBeVisible()
  await dialog.getByLabel('Note').fill('Only on Tuesdays')
  await dialog.getByRole('button', { name: 'Keep' }).click()
  await expect(dialog).toHaveCount(0)
  await page.getByRole('link', { name: 'Moira Finlay' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Moira Finlay')
  await expect(page.getByRole('region', { name: 'Owed to them' })).toContainText('The new sash')
  await expect(page.getByText('Only on Tuesdays')).toBeVisible()
  await desk.expectAccessible('a person')
  const saving = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save as vCard' }).click()
  const path = await (await saving).path()
  await page.getByRole('button', { name: 'Delete the card' }).click()
  await expect(page.getByText('Only on Tuesdays')).toHaveCount(0)
  await page.goto('/people')
  await page.locator('input[type=file]').setInputFiles(path)
  await expect(page.getByText('1 card taken in.')).toBeVisible()
  await page.getByLabel('Part of a name or an address').fill('moir')
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(1)
  await desk.expectAccessible('People')
  await page.goto('/')
  await desk.open('The new sash')
  await desk.press('5')
  await expect(desk.row('The new sash')).toHaveCount(0)
})
