import { expect, test } from './desk'
import { bring } from './post'

test('the tray is grouped in several ways, groups fold, and one is decided as a whole', async ({
  desk,
  page,
}) => {
  const before = await desk.count('Tray')
  const asks = page.getByRole('region', { name: 'Asks you something' })
  await expect(asks.getByText('Before the inspection')).toBeVisible()
  await asks.getByRole('button', { name: /^Asks/ }).click()
  await expect(asks.getByText('Before the inspection')).toHaveCount(0)
  await asks.getByRole('button', { name: /^Asks/ }).click()

  await page.getByLabel('grouped by').selectOption('sender')
  await expect(page.getByRole('region', { name: 'Sennen Roe' }).getByRole('listitem')).toHaveCount(3)
  await page.getByLabel('grouped by').selectOption('age')
  await expect(page.getByRole('region', { name: /^(Older|In the last week)$/ }).first()).toBeVisible()
  await page.getByLabel('grouped by').selectOption('advice')

  const suspicious = page.getByRole('region', { name: 'Suspicious' })
  const count = await suspicious.getByRole('listitem').count()
  await suspicious.getByRole('button', { name: /^Select/ }).click()
  await desk.press('6')
  await desk.expectCount('Tray', before - count)
  await desk.press('Control+z')
  await desk.expectCount('Tray', before)
})

test('what comes in while the page is opened is seen', async ({ desk, page }) => {
  const subject = 'Between two answers'
  let isFirst = true
  // The rows are there before it comes in, and the first that is heard of it says no more than how many there are.
  await page.route('**/api/heartbeat', async (route) => {
    if (isFirst) {
      isFirst = false
      await expect(page.getByRole('listitem').filter({ hasText: 'Before the inspection' })).toBeVisible()
      await bring(page, { subject })
    }
    await route.continue()
  })
  await page.reload()
  await expect(desk.row(subject)).toBeVisible()
})

test('archiving the rest holds up what asks for something, and is undone in one step', async ({
  desk,
  page,
}) => {
  const before = await desk.count('Tray')
  await page.getByRole('button', { name: 'Archive the rest' }).click()
  const held = page.getByRole('group', { name: 'What stays' }).locator('li:not(.why)')
  await expect(held.filter({ hasText: 'Before the inspection' })).toContainText('Could you send me')
  await expect(held.filter({ hasText: 'Timetable from' })).toHaveCount(0)
  const staying = await held.count()
  await held.filter({ hasText: 'Bell rope' }).getByRole('checkbox').check()
  await page.getByRole('button', { name: /^Archive \d+ conversations$/ }).click()
  await desk.expectCount('Tray', staying - 1)
  await expect(desk.row('Before the inspection')).toBeVisible()
  await expect(desk.row('Bell rope')).toHaveCount(0)
  await desk.press('Control+z')
  await desk.expectCount('Tray', before)
})
