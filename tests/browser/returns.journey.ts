import { expect, test, type Desk } from './desk'

const beat = async (desk: Desk) =>
  desk.page.evaluate(
    async () =>
      (await fetch('/api/heartbeat')).json() as Promise<{ now: string; milliseconds: number; next: string }>,
  )

test('a reminder appears in the open page at its moment, and is answered by keyboard', async ({
  desk,
  page,
}) => {
  const asked: number[] = []
  page.on('request', (request) => {
    if (request.url().endsWith('/api/heartbeat')) asked.push(Date.now())
  })
  // Not so soon that a slow machine is still at it.
  const minutes = new Date((await beat(desk)).now).getUTCSeconds() > 30 ? 2 : 1
  const wasNext = Date.parse((await beat(desk)).next)
  await desk.jot(`Turn the lens; remind in ${minutes} min`)
  // The minute may have turned while it was written: the server says when that is.
  await expect.poll(async () => Date.parse((await beat(desk)).next)).toBeLessThan(wasNext)
  const { now, milliseconds, next } = await beat(desk)
  const moment = Date.now() + Date.parse(next) - Date.parse(now) - milliseconds
  // Told by the page, which knows better than a look now and then.
  await page.evaluate(() => {
    new MutationObserver((_, observer) => {
      if (!document.querySelector('section.rings')) return
      Object.assign(window, { shownAt: Date.now() })
      observer.disconnect()
    }).observe(document.body, { childList: true, subtree: true })
  })
  const card = desk.reminders
  await expect(card).toContainText('Turn the lens', { timeout: 120_000 })
  const late = (await page.evaluate(() => (window as unknown as { shownAt: number }).shownAt)) - moment
  expect(late, 'not early').toBeGreaterThan(-500)
  const gaps = asked.slice(1).map((at, index) => at - (asked[index] ?? 0))
  expect(asked.length, `asked after ${gaps.join(', ')} ms`).toBeLessThan(30)

  await desk.press('-')
  await expect(card.getByRole('button', { name: 'Turn the lens' })).toBeFocused()
  await desk.press('Tab', 'Tab', 'Tab', 'Enter')
  await card.getByRole('button', { name: 'in an hour' }).click()
  await expect(card).toHaveCount(0)
  await desk.undoLast()
  await expect(card).toBeVisible()
  await desk.press('-', 'Escape')
  await expect(card).toHaveCount(0)
  await page.getByRole('button', { name: '1 reminder' }).click()
  await card.getByRole('button', { name: 'Open' }).click()
  await expect(page.getByRole('heading', { name: 'Turn the lens' })).toBeVisible()
  await page.getByRole('button', { name: '1 reminder' }).click()
  await card.getByRole('button', { name: 'Done' }).click()
  await expect(card).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Open again' })).toBeVisible()
})

test('what fell due meanwhile is gathered once, in order, and said outside of a page that is behind', async ({
  desk,
  page,
  context,
}) => {
  await context.grantPermissions(['notifications'])
  await page.addInitScript(() => {
    const said: string[] = []
    Object.assign(window, { said })
    const fake = function (title: string, { tag }: { tag: string }) {
      said.push(`${title} ${tag.length}`)
    }
    window.Notification = Object.assign(fake, { permission: 'granted' }) as unknown as typeof Notification
  })
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('to decide')
  await desk.jot('Wash the panes; remind in 40 min')
  await desk.jot('Mop the stairs; remind in 20 min')
  await desk.jot('Grease the hinge; remind in 3 days')
  await page.evaluate(() => Object.defineProperty(document, 'hidden', { value: true, configurable: true }))
  await desk.moveClock('An hour on')
  const card = desk.reminders
  await expect(card.getByRole('heading')).toHaveText('While you were away')
  await desk.showReminders()
  const ours = card.getByRole('article').filter({ hasText: /Mop the stairs|Wash the panes/ })
  await expect(ours).toHaveCount(2)
  await expect(ours.first()).toContainText('Mop the stairs')
  await expect(ours.last()).toContainText('Wash the panes')
  const said = await page.evaluate(() => (window as unknown as { said: string[] }).said)
  expect(said.filter((one) => /^(Mop|Wash)/.test(one))).toEqual(['Mop the stairs 36', 'Wash the panes 36'])

  await desk.press('-', 'Escape')
  await page.reload()
  await page.getByRole('button', { name: /^\d reminders/ }).click()
  await desk.showReminders()
  await expect(ours).toHaveCount(2)
  await card.getByRole('button', { name: /^Let all \d go/ }).click()
  await expect(card).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(card).toHaveCount(0)

  await desk.goTo('Tasks')
  for (const title of ['Mop the stairs', 'Wash the panes', 'Grease the hinge']) {
    await desk.row(title).getByRole('checkbox').click()
    await expect(desk.row(title)).toHaveCount(0)
  }
})

test('snoozed until an answer, and until the next clearing; what is back says why', async ({
  desk,
  page,
}) => {
  await desk.open('Key to the oil store')
  await desk.press('3', '9')
  await expect(page.getByRole('textbox', { name: 'At the latest' })).toHaveValue('in a week')
  await page.getByRole('textbox', { name: 'At the latest' }).fill('in 10 days')
  await expect(page.getByText('in 10 days').last()).toBeVisible()
  await page.getByRole('button', { name: 'Snooze until they answer' }).click()
  await desk.goTo('Tray')
  await desk.open('Interview on')
  await desk.press('3', '8')
  await desk.goTo('Tray')
  await expect(desk.row('Interview on')).toHaveCount(0)

  await desk.goTo('Coming back')
  await expect(desk.row('Key to the oil store')).toContainText('until they answer')
  await expect(page.locator('.stretch').first()).toContainText('Next clearing')
  await page.goto('/import')
  const answer = [
    'From: Ilse Norgaard <ilse@ternpoint.example>',
    'To: wren@ternpoint.example',
    'Subject: Re: Key to the oil store',
    'In-Reply-To: <key@ternpoint.example>',
    'Message-ID: <answer@ternpoint.example>',
    '',
    'It is. Shall I bring it?',
    '',
  ].join('\r\n')
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'answer.eml', mimeType: 'message/rfc822', buffer: Buffer.from(answer) })
  await expect(page.getByText('1 new')).toBeVisible()
  await desk.goTo('Tray')
  const back = page.getByRole('region', { name: 'Back with you' })
  await expect(back.getByRole('listitem').filter({ hasText: 'Key to the oil store' })).toContainText(
    'The answer that you waited for has come in.',
  )

  await desk.moveClock('An hour on')
  await page.getByRole('link', { name: 'Start clearing' }).click()
  await expect(page.locator('.conversation h1')).toBeVisible()
  await page.goto('/')
  await back.getByRole('link', { name: /Interview on/ }).click()
  await expect(page.getByRole('note')).toContainText('You wanted it back for your next clearing.')
})

test('presets of one’s own, and how often something was put off', async ({ desk, page }) => {
  await page.goto('/settings')
  await page.getByRole('button', { name: 'Another one' }).click()
  const own = page.getByRole('textbox', { name: 'Choice 6' })
  await own.fill('blursday')
  await own.blur()
  await expect(page.getByText('“blursday”').or(page.getByText('"blursday"')).first()).toBeVisible()
  await expect(own).toHaveValue('blursday')
  await own.fill('in 2 weeks at noon')
  await own.blur()
  await expect(page.getByRole('button', { name: 'As they were in the beginning' })).toBeVisible()
  await desk.goTo('Tray')
  await desk.open('Bell rope')
  await desk.press('3')
  await page.getByRole('button', { name: 'In 2 weeks at noon' }).click()
  await desk.goTo('Coming back')
  await desk.row('Bell rope').getByRole('link').click()
  await expect(page.getByRole('heading', { name: 'What becomes of it?' })).toBeVisible()
  await desk.press('3')
  await expect(page.getByText('Put off once, today.')).toBeVisible()
  await desk.press('1')
  await desk.goTo('Tray')
  await desk.undoLast()
  await desk.undoLast()
  await expect(desk.row('Bell rope')).toBeVisible()
  await page.goto('/settings')
  await page.getByRole('button', { name: 'As they were in the beginning' }).click()
  await expect(own).toHaveCount(0)
})

test('a conversation reminds wherever it is, again and again', async ({ desk, page }) => {
  await desk.goTo('Find')
  await page.getByRole('textbox', { name: /^Find:/ }).fill('slates')
  await expect(page.getByRole('status')).toHaveText(/^[1-9] conversations?$/)
  await desk.row('Slates').first().getByRole('link').click()
  await page.waitForURL(/\/c\//)
  const aside = page.getByRole('complementary')
  await aside.getByRole('button', { name: 'Add a reminder' }).click()
  await page.getByRole('textbox', { name: 'Remind me' }).fill('every day at 3:30')
  await expect(page.getByText(/every day at 03:30, from/)).toBeVisible()
  await desk.press('Enter')
  await expect(aside.getByText(/^every day at 03:30/).first()).toBeVisible()
  await desk.moveClock('To tomorrow morning')
  await desk.showReminders()
  await expect(desk.reminders).toContainText('Slates')
  await desk.reminders
    .getByRole('article')
    .filter({ hasText: 'Slates' })
    .getByRole('button', { name: 'Let go' })
    .click()
  await expect(desk.reminders.getByText('Slates')).toHaveCount(0)
  await page.getByRole('button', { name: /Remove the reminder every day/ }).click()
  await expect(aside.getByText(/^every day at 03:30/)).toHaveCount(0)
})

test('an open page hears of changes by a small request, and travels', async ({ desk, page, browser }) => {
  test.setTimeout(180_000)
  const unchanged = page.waitForResponse(
    (response) => response.url().endsWith('/api/heartbeat') && response.status() === 304,
  )
  expect(await (await unchanged).headerValue('etag')).toBeTruthy()
  const other = await (
    await browser.newContext({ storageState: await page.context().storageState() })
  ).newPage()
  await other.goto('/')
  const before = await desk.count('Tray')
  await other.getByRole('link', { name: /Bell rope/ }).click()
  await expect(other.getByRole('heading', { name: 'What becomes of it?' })).toBeVisible()
  await other.keyboard.press('5')
  await desk.expectCount('Tray', before - 1)
  await expect(desk.row('Bell rope')).toHaveCount(0)
  // What was done last is shown for a while only; its key takes it back at any time.
  await other.keyboard.press('Control+z')
  await expect(desk.row('Bell rope')).toBeVisible({ timeout: 60_000 })

  await other.goto('/settings')
  await other.getByRole('combobox').filter({ hasText: 'Europe/Dublin' }).selectOption('Asia/Tokyo')
  const clock = page.getByTitle('Demo clock', { exact: false })
  const dublin = await clock.innerText()
  await expect(clock).not.toHaveText(dublin, { timeout: 60_000 })
  await other.getByRole('combobox').filter({ hasText: 'Europe/Dublin' }).selectOption('Europe/Dublin')
  await other.context().close()
})
