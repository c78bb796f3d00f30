import { expect, test } from './desk'
import { addressTo, sentAbout, text } from './post'

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
  await page.getByRole('button', { name: 'Template', exact: true }).click()
  await page.getByRole('textbox', { name: 'Part of the name' }).fill('land')
  await desk.press('Enter')
  await page.getByLabel('which pier').fill('the north pier')
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
