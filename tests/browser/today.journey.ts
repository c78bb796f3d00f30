import type { Locator } from '@playwright/test'
import { expect, test } from './desk'

/** Where something is, once it moves no more. */
async function settled(what: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  let before = await what.boundingBox()
  await expect(async () => {
    const now = await what.boundingBox()
    const isStill = now !== null && JSON.stringify(now) === JSON.stringify(before)
    before = now
    expect(isStill).toBe(true)
  }).toPass({ intervals: [250] })
  if (!before) throw new Error('It is not on screen.')
  return before
}
test('today is pinned above the rail, and takes mail and tasks', async ({ desk, page }) => {
  await desk.goTo('Agenda')
  await page.getByRole('button', { name: 'Pin today' }).click()
  await desk.goTo('Tray')
  const pinned = page.getByRole('list', { name: 'Today' })
  await expect(pinned).toBeVisible()
  const from = await desk.row('Key to the oil store').getByRole('link').boundingBox()
  if (!from) throw new Error('It is not on screen.')
  await page.mouse.move(from.x + 60, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(from.x + 80, from.y + 30, { steps: 4 })
  // The rail has grown by now, and what stands above it has moved.
  await expect(page.getByText('Put it down on a day.')).toBeVisible()
  const to = await settled(pinned.locator('.hours'))
  await page.mouse.move(to.x + 300, to.y + 20, { steps: 4 })
  // A browser tells that something is dragged over it only when it moves there.
  await page.mouse.move(to.x + 304, to.y + 20)
  await expect(pinned.locator('.drawn')).toBeVisible()
  await page.mouse.up()
  await expect(pinned.locator('[data-ref^="slot"]').filter({ hasText: 'Ilse' })).toBeVisible()
  await expect(desk.row('Key to the oil store')).toHaveCount(0)
  await desk.expectAccessible('the tray with the row of today')
  await desk.goTo('Agenda')
  await page.getByRole('button', { name: 'Unpin today' }).click()
})

test('hours are set, and a calendar file goes out and in', async ({ desk, page }) => {
  await page.goto('/settings#agenda')
  const section = page.locator('#agenda')
  await section.getByLabel('Monday, from').fill('half past 8')
  await desk.press('Tab')
  await expect(section.getByLabel('Monday, from')).toHaveValue('08:30')
  await section.getByLabel('Monday, to').fill('sometime')
  await desk.press('Tab')
  await expect(section.getByRole('alert')).toContainText('“sometime” is not a time')
  await section.getByLabel('Saturday').check()
  await expect(section.getByLabel('Saturday, from')).toHaveValue('09:00')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    section.getByRole('link', { name: /All events and tasks/ }).click(),
  ])
  expect(download.suggestedFilename()).toBe('agenda.ics')
  const day = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '')
  const file = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'BEGIN:VEVENT',
    'UID:lamp',
    `DTSTART;VALUE=DATE:${day}`,
    'SUMMARY:Lamp inspection',
    'END:VEVENT',
    'BEGIN:VJOURNAL',
    'UID:j',
    'END:VJOURNAL',
    'END:VCALENDAR',
    '',
  ].join('\r\n')
  await section
    .locator('input[type=file]')
    .setInputFiles({ name: 'a.ics', mimeType: 'text/calendar', buffer: Buffer.from(file) })
  await expect(section.getByText('1 thing taken, 0 known already, 1 left out.')).toBeVisible()
  await expect(section.getByText('VJOURNAL')).toBeVisible()
  await desk.goTo('Agenda')
  await expect(page.locator('[data-ref]').filter({ hasText: 'Lamp inspection' })).toBeVisible()
})
