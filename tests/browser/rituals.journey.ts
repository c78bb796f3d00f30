import { expect, test, type Desk } from './desk'

/** Goes on until this is asked about. */
async function passTo(desk: Desk, title: string): Promise<void> {
  const asked = desk.page.locator('article.ask h2')
  await expect(asked.first()).toBeVisible()
  for (let passed = 0; passed < 20 && (await asked.first().innerText()) !== title; passed += 1) {
    const before = await asked.first().innerText()
    await desk.press('ArrowRight')
    await expect(asked.first()).not.toHaveText(before)
  }
  await expect(asked).toHaveText(title)
}
const row = (desk: Desk) => desk.page.getByRole('list', { name: 'Today' })

/** Whatever day it is, somebody works on it until late. */
async function workToday(desk: Desk): Promise<void> {
  await desk.page.evaluate(async () => {
    const session = (await (await fetch('/api/session')).json()) as { account: { settings: object } }
    const hours = Object.fromEntries(
      [1, 2, 3, 4, 5, 6, 7].map((day) => [day, { from: '00:00', to: '00:00' }]),
    )
    const agenda = { hours, keptFree: 0, from: '07:00', to: '19:00', days: 7 }
    const headers = { 'Content-Type': 'application/json', 'X-Csrf-Token': crypto.randomUUID() }
    const body = JSON.stringify({ ...session.account.settings, agenda })
    await fetch('/api/settings', { method: 'PUT', headers, body })
  })
}

test('today is laid out with the keyboard, has a keystone, and ends with a day that fits or not', async ({
  desk,
  page,
}) => {
  await workToday(desk)
  await desk.jot('Polish the brass; today; 30 min')
  await desk.goTo('Agenda')
  await desk.press('4')
  await expect(page.getByRole('heading', { name: 'Lay out today' })).toBeVisible()
  await passTo(desk, 'Polish the brass')
  await desk.expectAccessible('laying out today')
  await desk.press('8')
  await expect(page.getByText('The keystone of today', { exact: true })).toBeVisible()
  await desk.press('1')
  const laid = row(desk).locator('[data-ref^="slot"]').filter({ hasText: 'Polish the brass' })
  await expect(laid).toContainText('keystone')
  await desk.undoByKey()
  await expect(laid).toHaveCount(0)
  await passTo(desk, 'Polish the brass')
  await desk.press('3')
  const when = page.getByRole('dialog', { name: 'When?' })
  await when.getByRole('textbox', { name: 'When' }).fill('tomorrow')
  await expect(when).toContainText('tomorrow')
  await desk.press('Enter')
  await expect(when).toHaveCount(0)
  const end = page.getByRole('button', { name: /The day is laid out/ })
  for (let passed = 0; passed < 20 && !(await end.isVisible()); passed += 1) {
    await desk.press('ArrowRight')
    await page.waitForTimeout(100)
  }
  await expect(page.getByText(/passed over; (it stays|they stay)/)).toBeVisible()
  await desk.expectAccessible('the end of laying out today')
  await desk.press('Enter')
  await page.waitForURL(/\/agenda$/)
})

test('with the mouse: today is laid out, looked back at in the evening, and what is left goes on tomorrow', async ({
  desk,
  page,
}) => {
  await workToday(desk)
  await desk.jot('Wash the flags; today; 20 min')
  await desk.goTo('Agenda')
  await page.getByRole('link', { name: /^Lay out today/ }).click()
  await passTo(desk, 'Wash the flags')
  await page.getByRole('button', { name: /Any time today/ }).click()
  await expect(row(desk).locator('.pocket')).toContainText('Wash the flags')
  const on = page.getByRole('button', { name: 'Pass it over' })
  const end = page.getByRole('button', { name: /The day is laid out/ })
  for (let passed = 0; passed < 30 && !(await end.isVisible()); passed += 1) {
    await on.click()
    await page.waitForTimeout(100)
  }
  await page.getByRole('radio', { name: 'Wash the flags' }).click()
  await expect(row(desk).locator('.pocket')).toContainText('keystoneWash the flags')
  await end.click()
  await page.waitForURL(/\/agenda$/)
  await page.getByRole('link', { name: /^Evening look/ }).click()
  await passTo(desk, 'Wash the flags')
  await expect(page.getByText('It was meant for today, and is not done.')).toBeVisible()
  await desk.expectAccessible('the evening look')
  await page.getByRole('button', { name: /^1 Tomorrow|^Tomorrow/ }).click()
  await expect(page.locator('article.ask h2').filter({ hasText: 'Wash the flags' })).toHaveCount(0)
  await page.getByRole('button', { name: /^Later/ }).click()
  await expect(page.locator('li.day').nth(1)).toContainText('Wash the flags')
})

test('a week is looked back over stop by stop, left, and gone on with', async ({ desk, page }) => {
  await desk.goTo('Agenda')
  await desk.press('6')
  const stop = (name: string) => page.getByRole('navigation', { name: 'Stops' }).getByRole('button', { name })
  await expect(stop('Done')).toHaveAttribute('aria-current', 'step')
  await desk.press('Enter')
  await expect(stop('Over')).toHaveAttribute('aria-current', 'step')
  const over = await page.locator('article.ask h2').innerText()
  await desk.press('5')
  await expect(page.locator('article.ask h2').filter({ hasText: over })).toHaveCount(0)
  await desk.undoByKey()
  await expect(page.locator('article.ask h2').filter({ hasText: over })).toBeVisible()
  await desk.expectAccessible('looking back, what is over')
  await stop('Lists').click()
  await expect(page.getByRole('heading', { name: 'Lists in which nothing can be done next.' })).toBeVisible()
  await desk.press('Escape')
  await page.waitForURL(/\/agenda$/)
  await page.reload()
  await page.getByRole('link', { name: /^Look back/ }).click()
  await expect(stop('Lists')).toHaveAttribute('aria-current', 'step')
  await desk.press('Backspace')
  await expect(stop('Owed')).toHaveAttribute('aria-current', 'step')
  await stop('Ahead').click()
  await expect(page.getByRole('listitem').filter({ hasText: ' of ' }).first()).toBeVisible()
  await page.getByRole('button', { name: /^Next/ }).click()
  await expect(page.getByText('Conversations decided')).toBeVisible()
  await desk.expectAccessible('the figures of a week')
  await page.getByRole('button', { name: /That was the week/ }).click()
  await page.waitForURL(/\/agenda$/)
})

const STOPS = ['Done', 'Over', 'Put off', 'Owed', 'Lists', 'No date', 'Tray', 'Ahead', 'Figures']

test('a whole week is looked back over with the keyboard, and with the mouse', async ({ desk, page }) => {
  await desk.goTo('Agenda')
  const stops = page.getByRole('navigation', { name: 'Stops' }).getByRole('button')
  const here = page.getByRole('navigation', { name: 'Stops' }).locator('[aria-current="step"]')
  for (const way of ['keyboard', 'mouse'] as const) {
    if (way === 'keyboard') await desk.press('6')
    else await page.getByRole('link', { name: /^Look back/ }).click()
    await expect(stops).toHaveCount(STOPS.length)
    if (way === 'mouse') await stops.first().click()
    for (let back = 0; way === 'keyboard' && back < STOPS.length; back += 1) {
      const now = await here.innerText()
      if (now.startsWith('Done')) break
      await desk.press('Backspace')
      await expect(here).not.toHaveText(now)
    }
    for (const stop of STOPS) {
      await expect(here).toContainText(stop)
      const next = page.getByRole('button', { name: stop === 'Figures' ? /That was the week/ : /^Next/ })
      await expect(next).toBeVisible()
      if (way === 'keyboard') await desk.press('Enter')
      else await next.click()
    }
    await page.waitForURL(/\/agenda$/)
  }
})

test('the clock of a task runs from view to view, is paused and set right; focus leaves one task on screen', async ({
  desk,
  page,
}) => {
  await desk.jot('Grease the hinges; 30 min')
  await desk.goTo('Tasks')
  const task = desk.row('Grease the hinges')
  await task.getByRole('link').first().click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  const pause = page.getByRole('banner').getByRole('button', { name: /^Pause/ })
  await expect(pause).toBeVisible()
  await desk.moveClock('An hour on')
  await desk.goTo('Tray')
  await expect(page.getByRole('timer')).toContainText(/^1:00:/)
  await desk.press('!')
  await expect(page.getByText('1 h on “Grease the hinges”.')).toBeVisible()
  await expect(pause).toHaveCount(0)

  await desk.goTo('Tasks')
  await task.getByRole('link').first().click()
  await page.getByRole('button', { name: 'when', exact: true }).click()
  await page.getByRole('button', { name: 'Set right' }).click()
  const dialog = page.getByRole('dialog', { name: 'How long was it?' })
  await dialog.getByRole('textbox', { name: 'It took' }).fill('ages')
  await dialog.getByRole('button', { name: 'It was so long' }).click()
  await expect(dialog.getByRole('textbox', { name: 'It took' })).toHaveValue('ages')
  await dialog.getByRole('textbox', { name: 'It took' }).fill('25 min')
  await desk.press('Enter')
  await expect(dialog).toHaveCount(0)
  await expect(page.getByRole('definition').filter({ hasText: '25 min' })).toBeVisible()
  await desk.undoByKey()
  await expect(page.getByRole('definition').filter({ hasText: '1 h' }).first()).toBeVisible()

  await desk.press('#')
  await page.waitForURL(/\/focus\//)
  await expect(page.getByRole('banner')).toHaveCount(0)
  await expect(page.getByRole('timer', { name: 'The clock' })).toContainText(/^0:0/)
  await desk.expectAccessible('one task alone')
  await page.evaluate(() =>
    fetch('/api/demo/clock', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-Csrf-Token': crypto.randomUUID() },
      body: JSON.stringify({ to: 'hour' }),
    }),
  )
  await desk.press('Escape')
  await expect(page.getByText('1 h on “Grease the hinges”.')).toBeVisible()
  await page.waitForURL(/\/tasks\//)
})
