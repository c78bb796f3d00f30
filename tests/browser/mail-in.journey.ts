import { expect, test } from './desk'
import { handIn, sent } from './post'

const letter = (to: string, subject: string, text: string, more: string[] = []) =>
  [
    'From: Wren Halloran <wren@ternpoint.example>',
    `To: ${to}`,
    ...more,
    `Subject: ${subject}`,
    `Date: ${new Date().toUTCString()}`,
    `Message-ID: <${crypto.randomUUID()}@phone.ternpoint.example>`,
    '',
    `${text}\r\n`,
  ].join('\r\n')

test('a letter to a sub-address makes a task; its confirmation is answered, and the task is gone', async ({
  desk,
  page,
}) => {
  await desk.goTo('Tasks')
  handIn(letter('wren+task@ternpoint.example', 'Carry the rope up', 'due in 5 days; high\n\nThe blue one.'))
  const task = page.getByRole('link', { name: 'Carry the rope up' }).first()
  await expect(task).toBeVisible({ timeout: 90_000 })
  await task.click()
  await expect(page.getByRole('complementary')).toContainText('The blue one.')
  const confirmed = () => sent().find((raw) => raw.includes('Subject: Made: Carry the rope up')) ?? ''
  await expect.poll(confirmed, { timeout: 90_000 }).not.toBe('')
  const to = /^Reply-To: (\S+)/m.exec(confirmed())?.[1] ?? ''
  handIn(letter(to, 'Re: Made: Carry the rope up', 'cancel'))
  await page.goto('/journal')
  await expect(page.getByText('Carry the rope up').first()).toBeVisible()
  await page.goto('/tasks')
  await expect(page.getByRole('link', { name: 'Carry the rope up' })).toHaveCount(0, { timeout: 90_000 })
})

test('what is not understood lies in the tray and says so, also when the rest is archived', async ({
  desk,
  page,
}) => {
  handIn(letter('wren+tomorow.9pmx@ternpoint.example', 'Which oar', 'The long one.'))
  const row = desk.row('Which oar')
  await expect(row).toContainText('“+tomorow.9pmx” was not understood.', { timeout: 90_000 })
  await desk.open('Which oar')
  await expect(page.getByRole('note')).toContainText('nothing was made of it')
  await desk.expectAccessible('a letter that was not understood')
  await page.goto('/')
  await expect(row).toBeVisible()
  await desk.press('9')
  await expect(page.getByRole('dialog')).toContainText('“+tomorow.9pmx” was not understood.')
})

test('who else may make things is written in the settings, and what is no address stays in its field', async ({
  desk,
  page,
}) => {
  await page.goto('/settings#mail-in-addresses')
  const section = page.locator('#mail-in-addresses')
  await expect(section.getByText('wren+task@ternpoint.example')).toBeInViewport()
  const field = section.getByLabel('Addresses that may make things')
  await field.fill('office@ternpoint.example, nobody')
  await desk.press('Tab')
  await expect(section.getByRole('alert')).toContainText('"nobody" is no address')
  await expect(field).toHaveValue('office@ternpoint.example, nobody')
  await field.fill('office@ternpoint.example')
  const kept = page.waitForResponse(
    (response) => response.url().endsWith('/api/settings') && response.request().method() === 'PUT',
  )
  await desk.press('Tab')
  expect((await kept).ok()).toBe(true)
  await expect(section.getByRole('alert')).toHaveCount(0)
  await page.reload()
  await expect(field).toHaveValue('office@ternpoint.example')
  await section.getByLabel('Letters of mine').uncheck()
  await expect(field).toHaveCount(0)
  await section.getByLabel('Letters of mine').check()
})
