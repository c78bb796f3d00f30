import { expect, test, type Desk } from './desk'
import { handIn } from './post'

const letter = (subject: string, from = 'Olga Brandt <olga@roofs.example>') =>
  [
    `From: ${from}`,
    'To: wren@ternpoint.example',
    `Subject: ${subject}`,
    `Date: ${new Date().toUTCString()}`,
    `Message-ID: <${crypto.randomUUID()}@roofs.example>`,
    '',
    'Could you tell me which one?\r\n',
  ].join('\r\n')

const waiting = (desk: Desk) => desk.page.getByRole('main').getByRole('status').filter({ hasText: 'come' })

test('mail waits for its hour, is found meanwhile, and is let in with a key', async ({ desk, page }) => {
  await page.goto('/settings#mail-in-sessions')
  const section = page.locator('#mail-in-sessions')
  await section.getByLabel('Hold arriving mail back').check()
  // Hours that are not near, whenever this runs.
  const now = await page.evaluate(
    async () =>
      ((await (await fetch('/api/heartbeat', { cache: 'no-store' })).json()) as { now: string }).now,
  )
  const hour = new Date(Date.parse(now) + 6 * 3_600_000).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'Europe/Dublin',
  })
  await section.getByRole('button', { name: 'Remove hour 3' }).click()
  await expect(section.getByLabel('Hour 3')).toHaveCount(0)
  await section.getByRole('button', { name: 'Remove hour 2' }).click()
  await expect(section.getByLabel('Hour 2')).toHaveCount(0)
  await section.getByLabel('Hour 1').fill('sometime')
  await desk.press('Tab')
  await expect(section.getByRole('alert')).toContainText('“sometime” is not a time')
  await expect(section.getByLabel('Hour 1')).toHaveValue('sometime')
  await section.getByLabel('Hour 1').fill(hour)
  await desk.press('Tab')
  await expect(section.getByRole('alert')).toHaveCount(0)
  await expect(waiting(desk)).toContainText(`at ${hour}.`)

  await page.goto('/')
  const before = await desk.count('Tray')
  handIn(letter('Which slate'))
  await expect(waiting(desk)).toContainText(`1 waits to come in`, { timeout: 90_000 })
  expect(await desk.count('Tray')).toBe(before)
  await expect(desk.row('Which slate')).toHaveCount(0)
  await desk.goTo('Find')
  await expect(page.locator('input:focus')).toBeVisible()
  await page.keyboard.type('slate')
  await expect(page.locator('mark').first()).toHaveText('slates')
  await desk.row('Which slate').getByRole('link').first().click()
  await expect(page.getByText('here already, and comes in')).toBeVisible()

  await page.goto('/')
  await expect(waiting(desk)).toContainText('Let it in now')
  await desk.press('<')
  await expect(desk.row('Which slate')).toBeVisible()
  await expect(waiting(desk)).toContainText('Mail comes in')
  await desk.undoByKey()
  await expect(desk.row('Which slate')).toHaveCount(0)
  await waiting(desk).getByRole('button', { name: 'Let it in now' }).click()
  await expect(desk.row('Which slate')).toBeVisible()
})

test('everything but the present work is hidden with a key, stays so, and comes back', async ({
  desk,
  page,
}) => {
  const views = page.getByRole('navigation', { name: 'Views' })
  const days = page.getByRole('region', { name: 'The coming days' })
  await desk.goTo('Tasks')
  await page.getByRole('link', { name: 'Pay the tide tables' }).first().click()
  await expect(page.getByRole('heading', { name: 'Pay the tide tables' })).toBeVisible()
  await desk.press('_')
  await expect(views).toHaveCount(0)
  await expect(days).toHaveCount(0)
  await expect(page.getByRole('heading', { name: 'Tasks', exact: true })).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Pay the tide tables' })).toBeVisible()
  await desk.expectAccessible('only this')
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Pay the tide tables' })).toBeVisible()
  await expect(views).toHaveCount(0)
  await page.getByRole('button', { name: 'All again' }).click()
  await expect(views).toBeVisible()
  await expect(days).toBeVisible()
  await page.getByRole('button', { name: 'Account and more' }).click()
  await page.getByText('Only this in sight').click()
  await expect(views).toHaveCount(0)
  await desk.press('_')
  await expect(views).toBeVisible()
})
