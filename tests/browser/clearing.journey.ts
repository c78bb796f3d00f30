import type { Route } from '@playwright/test'
import { expect, test, type Desk } from './desk'

const left = (desk: Desk) => desk.page.getByRole('status').filter({ hasText: 'left' })
const subject = (desk: Desk) => desk.page.locator('.conversation h1')
const summary = (desk: Desk) => desk.page.getByRole('heading', { level: 1 })

async function startClearing(desk: Desk): Promise<void> {
  await desk.goTo('Tray')
  await expect(desk.page.getByRole('button', { name: 'Archive the rest' })).toBeVisible()
  await desk.press('Space')
  await expect(desk.page.getByRole('heading', { name: 'What becomes of it?' })).toBeVisible()
  await expect(subject(desk)).toBeVisible()
}

/** Passes over until this conversation is on top. */
async function reach(desk: Desk, text: string): Promise<void> {
  for (let passed = 0; passed < 80; ++passed) {
    if ((await subject(desk).innerText()).includes(text)) return
    const before = await subject(desk).innerText()
    await desk.press('ArrowRight')
    await expect(subject(desk)).not.toHaveText(before)
  }
  throw new Error(`${text} is not in the pile`)
}

const letter = (from: string, about: string) =>
  Buffer.from(
    [
      `From: ${from}`,
      'To: wren@ternpoint.example',
      `Subject: ${about}`,
      `Message-ID: <${about.replaceAll(' ', '.')}@test.example>`,
      '',
      `The text of ${about}.`,
    ].join('\r\n'),
  )

async function bringIn(desk: Desk, from: string, about: string): Promise<void> {
  await desk.page.goto('/import')
  await desk.page
    .getByLabel('Mail files')
    .setInputFiles([{ name: `${about}.eml`, mimeType: 'message/rfc822', buffer: letter(from, about) }])
  await expect(desk.row(`${about}.eml`)).toContainText('1 new message')
}

test('the advice is marked in the text, stands on its card, and one key follows it', async ({
  desk,
  page,
}) => {
  const tasks = await desk.count('Tasks')
  await startClearing(desk)
  await reach(desk, 'Before the inspection')
  await expect(page.locator('mark.request').first()).toContainText('Could you send me')
  await expect(page.locator('mark.date', { hasText: /^by / })).toBeVisible()
  await expect(page.locator('.listed')).toHaveCount(3)
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Send Olga the signed access form')
  await expect(page.getByLabel('Due', { exact: true })).not.toHaveValue('')
  await expect(page.getByText(/^from “by /)).toBeVisible()

  await desk.press('Space')
  await expect(subject(desk)).not.toHaveText('Before the inspection')
  await desk.expectCount('Tasks', tasks + 1)
  await desk.press('Control+z')
  await expect(subject(desk)).toHaveText('Before the inspection')
  await desk.expectCount('Tasks', tasks)
})

test('the fields of a task are filled in on the card, with Enter at the end', async ({ desk, page }) => {
  await startClearing(desk)
  await reach(desk, 'Rota for December')
  await desk.press('2')
  const title = page.getByLabel('What is to be done?')
  await expect(title).toBeFocused()
  await expect(page.getByText('Have the Sea Cadets answered?')).toBeVisible()
  await page.keyboard.type('Tell Petra who sails')
  await desk.press('Enter')
  await expect(subject(desk)).not.toHaveText('Rota for December')
  await expect(page.getByText('Task made: Tell Petra who sails')).toBeVisible()
  await desk.undoLast()
  await expect(subject(desk)).toHaveText('Rota for December')
})

test('two minutes run, and when they are over a task is offered', async ({ desk, page }) => {
  await startClearing(desk)
  await reach(desk, 'Key to the oil store')
  await page.evaluate(() => {
    const real = Date.now
    let ahead = 0
    Date.now = () => real() + ahead
    Object.assign(window, { pass: (seconds: number) => (ahead += seconds * 1000) })
  })
  const pass = (seconds: number) =>
    page.evaluate((by) => (window as unknown as { pass: (by: number) => void }).pass(by), seconds)
  await desk.press('1')
  await expect(page.getByRole('timer')).toContainText(/2:00|1:5\d/)
  await pass(60)
  await expect(page.getByRole('timer')).toContainText(/0:5\d/)
  await pass(61)
  await expect(page.getByText('The two minutes are over')).toBeVisible()
  await page.getByRole('button', { name: 'A task instead' }).click()
  await expect(page.getByLabel('What is to be done?')).toHaveValue(/^Answer Ilse/)
  await desk.press('Escape')
  await desk.press('1')
  await desk.press('1')
  await expect(page.getByText('Done at once: Key to the oil store')).toBeVisible()
  await desk.undoLast()
})

test('a clearing goes on after a reload, and is summed up at its end', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await startClearing(desk)
  await reach(desk, 'Timetable from')
  await desk.press('5')
  await expect(left(desk)).toContainText(`${before - 1} left, 1 decided`)
  await page.waitForURL(/of=/)
  await page.reload()
  await expect(left(desk)).toContainText(`${before - 1} left, 1 decided`)
  await page.getByRole('button', { name: 'End here' }).click()
  await expect(summary(desk)).toContainText(`${before - 1} left in the tray`)
  await expect(page.getByText('1 conversation decided in')).toBeVisible()
  await expect(page.getByText('passed over')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Comes back next' })).toBeVisible()
  await desk.goTo('Journal')
  await page.getByRole('button', { name: /^Undo: Archived: Timetable from/ }).click()
  await desk.expectCount('Tray', before)
})

test('the order can be changed and is remembered', async ({ desk, page }) => {
  await startClearing(desk)
  // It holds at once, also while the server has not answered yet.
  const held: Route[] = []
  await desk.intercept('**/api/settings', (route) => void held.push(route))
  await page.getByLabel('Order').selectOption('oldest')
  const first = await subject(desk).innerText()
  await desk.press('ArrowRight')
  await expect(subject(desk)).not.toHaveText(first)
  const oldest = await subject(desk).innerText()
  await startClearing(desk)
  await expect(page.getByLabel('Order')).toHaveValue('oldest')
  await expect(subject(desk)).toHaveText(oldest)
  const saved = page.waitForResponse('**/api/settings')
  for (const route of held) await route.continue()
  await saved
  await page.unroute('**/api/settings')
  await page.getByLabel('Order').selectOption('grouped')
})

test('what was decided elsewhere is not decided twice, and what happened is said', async ({
  desk,
  page,
  context,
}) => {
  await desk.open('Order 2041: 3 mugs')
  const other = await context.newPage()
  await other.goto(page.url())
  await other.getByRole('button', { name: '5 Archive' }).click()
  await expect(other.getByRole('heading', { level: 1 })).toContainText('to decide')
  await other.close()

  await desk.press('6')
  await expect(page.getByRole('alert')).toContainText('has been decided meanwhile')
  await expect(page.getByRole('alert')).toContainText('Archived: Order 2041')
  await expect(page.getByText('It is in the archive')).toBeVisible()
  await page.getByRole('button', { name: 'Bring back into the tray' }).click()
  await desk.goTo('Tray')
  await expect(desk.row('Order 2041: 3 mugs')).toBeVisible()
})

test('a decision that does not arrive puts the conversation back in its place, with what was typed', async ({
  desk,
  page,
}) => {
  await startClearing(desk)
  await reach(desk, 'Rota for December')
  await desk.intercept('**/api/tasks', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await desk.press('2')
  await page.keyboard.type('Ask the Sea Cadets')
  await desk.press('Enter')
  await expect(page.getByRole('alert')).toContainText('“Rota for December” is not decided')
  await desk.press('ArrowLeft')
  await expect(subject(desk)).toHaveText('Rota for December')
  await page.unroute('**/api/tasks')
  await desk.press('2')
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Ask the Sea Cadets')
})

test('passed over in three clearings, a conversation is pointed out', async ({ desk, page }) => {
  const about = 'Minutes of the committee'
  for (let clearing = 0; clearing < 3; ++clearing) {
    await startClearing(desk)
    await reach(desk, about)
    await desk.press('ArrowRight')
    await expect(subject(desk)).not.toHaveText(about)
    await desk.press('ArrowLeft')
    await expect(subject(desk)).toHaveText(about)
    await page.getByRole('button', { name: 'End here' }).click()
    await expect(summary(desk)).toContainText('left in the tray')
  }
  await desk.goTo('Tray')
  await expect(desk.row(about)).toContainText(/looked at \d+ times/)
  await startClearing(desk)
  await reach(desk, about)
  await expect(page.getByText(/You have looked at this \d+ times without deciding/)).toBeVisible()
  await page.getByRole('button', { name: 'Let it go: archive' }).click()
  await expect(page.getByText(`Archived: ${about}`)).toBeVisible()
  await desk.undoLast()
})

test('a blocked sender stays out, is listed, and can be let in again', async ({ desk, page }) => {
  await bringIn(desk, 'Pushy <pushy@buy-now.example>', 'First offer')
  await desk.goTo('Tray')
  await desk.open('First offer')
  await desk.press('7')
  await page.getByLabel('everything from buy-now.example').click()
  await page
    .getByRole('button', { name: /^Block / })
    .last()
    .click()
  await expect(desk.row('First offer')).toHaveCount(0)

  await bringIn(desk, 'Other <other@mail.buy-now.example>', 'Second offer')
  await desk.goTo('Tray')
  await expect(desk.row('Second offer')).toHaveCount(0)
  await page.getByRole('button', { name: 'Account and more' }).click()
  await page.getByText('Settings').click()
  await expect(desk.row('everything from buy-now.example')).toContainText('2 conversations in Blocked')
  await page.getByRole('button', { name: 'and bring them back' }).click()
  await expect(page.getByText('Nobody is blocked')).toBeVisible()
  await desk.goTo('Tray')
  await expect(desk.row('First offer')).toBeVisible()
  await expect(desk.row('Second offer')).toBeVisible()
})

test('a muted conversation stays out whatever arrives; what is handed over says who owes', async ({
  desk,
  page,
}) => {
  await bringIn(desk, 'Chatty <chatty@talk.example>', 'Endless talk')
  await desk.goTo('Tray')
  await desk.open('Endless talk')
  await desk.press('8')
  await expect(desk.row('Endless talk')).toHaveCount(0)
  await page.goto('/import')
  const answer = [
    'From: Chatty <chatty@talk.example>',
    'To: wren@ternpoint.example',
    'Subject: Re: Endless talk',
    'Message-ID: <more@test.example>',
    'In-Reply-To: <Endless.talk@test.example>',
    '',
    'And another thing.',
  ].join('\r\n')
  await page
    .getByLabel('Mail files')
    .setInputFiles([{ name: 'more.eml', mimeType: 'message/rfc822', buffer: Buffer.from(answer) }])
  await expect(desk.row('more.eml')).toContainText('1 new message')
  await desk.goTo('Tray')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('to decide')
  await expect(desk.row('Endless talk')).toHaveCount(0)

  await desk.open('Lease of the slip')
  await desk.press('4')
  await page.keyboard.type('Petra')
  await desk.press('Control+Enter')
  await expect(desk.row('Lease of the slip')).toHaveCount(0)
  await desk.goTo('Coming back')
  await expect(desk.row('Lease of the slip')).toContainText('Petra owes you an answer')
  await desk.undoLast()
})
