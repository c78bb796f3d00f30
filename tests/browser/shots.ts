import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Desk } from './desk'

const FOLDER = 'docs/screenshots'

async function shoot(desk: Pick<Desk, 'page'>, name: string): Promise<void> {
  await desk.page.waitForLoadState('networkidle')
  await desk.page.mouse.move(0, 0)
  await desk.page.screenshot({ path: `${FOLDER}/${name}.png` })
}

test('pictures of the views', async ({ desk, page }) => {
  await shoot(desk, 'tray')
  await desk.row('Reminder: invoice 77310').getByRole('link').focus()
  await desk.press('Shift+Digit1')
  await expect(page.getByRole('dialog', { name: 'A stamp' }).getByText('Label money')).toBeVisible()
  await shoot(desk, 'stamp')
  await desk.press('Escape')
  await desk.row('Tide & Time weekly').getByRole('link').focus()
  await desk.press('5')
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await page.getByRole('button', { name: 'Always do this' }).first().click()
  const standing = page.getByRole('dialog', { name: 'Standing order' })
  await standing.getByRole('radio', { name: 'from anybody at tideandtime.example' }).click()
  await expect(standing.getByText(/^It would have matched/)).toBeVisible()
  await standing.getByRole('button', { name: 'What would happen?' }).click()
  await shoot(desk, 'standing-order')
  await desk.press('Escape')
  await desk.press('Control+z')
  await expect(desk.row('Tide & Time weekly')).toBeVisible()
  await page.goto('/')
  await desk.open('Before the inspection')
  await desk.press('2')
  await expect(page.getByLabel('What is to be done?')).toBeFocused()
  await page.getByRole('combobox', { name: 'List' }).fill('Roof')
  await desk.press('Tab')
  await page.getByRole('button', { name: 'Make the task' }).click()

  await desk.goTo('Agenda')
  await expect(page.getByText('Barge with the scaffold')).toBeVisible()
  await shoot(desk, 'agenda')
  await desk.press('4')
  await expect(page.locator('article.ask h2').first()).toBeVisible()
  await shoot(desk, 'laying-out')
  await page.goto('/agenda/week')
  await page.getByRole('navigation', { name: 'Stops' }).getByRole('button', { name: 'Figures' }).click()
  await expect(page.getByText('Conversations decided')).toBeVisible()
  await shoot(desk, 'look-back')

  await desk.goTo('Tasks')
  await expect(desk.row('Send Olga')).toBeVisible()
  await shoot(desk, 'tasks-by-date')
  await desk.row('Send Olga').getByRole('link').click()
  await expect(page.getByText('Open alone')).toBeVisible()
  await shoot(desk, 'task-with-source')
  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'By list' }).click()
  await page
    .getByRole('navigation', { name: 'Lists' })
    .getByRole('button', { name: /^Visitors/ })
    .click()
  await expect(desk.leaf('Have forty printed')).toBeVisible()
  const views = page.getByRole('navigation', { name: 'Pages of Visitors' })
  await views.getByRole('link', { name: 'Stages' }).click()
  await expect(page.getByRole('region', { name: 'Asked', exact: true })).toBeVisible()
  await shoot(desk, 'list-stages')
  await views.getByRole('link', { name: 'To look up' }).click()
  await expect(page.getByText('Where the children stand')).toBeVisible()
  await shoot(desk, 'list-look-up')
  await desk.goTo('Find')
  await page
    .getByRole('textbox', { name: /^Find:/ })
    .fill('(slip or tower) not from ilse since last month wi')
  await expect(page.getByRole('list', { name: 'How it is read' })).toContainText('from ilse')
  await page.waitForTimeout(800)
  await shoot(desk, 'find')
  await desk.goTo('Tasks')
  await desk.press(';')
  await page
    .getByRole('textbox', { name: 'Jot' })
    .fill(
      'Order lamp oil; by friday 3pm; remind 2h before; list Supplies; label harbour; high; 20 min; blursday',
    )
  await expect(page.getByRole('list', { name: 'How the line is read' }).getByRole('listitem')).toHaveCount(8)
  await shoot(desk, 'jot')
  await page.getByRole('textbox', { name: 'Jot' }).fill('')
  await desk.press('Escape')

  await desk.goTo('Coming back')
  await expect(page.getByRole('listitem').first()).toBeVisible()
  await shoot(desk, 'coming-back')
})

test('pictures on a phone', async ({ desk, page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/clear')
  await expect(page.locator('.conversation h1')).toBeVisible()
  await shoot(desk, 'phone-clearing')
})

test('picture of a first visit', async ({ desk, page }) => {
  await page.route('**/api/tray*', (route) => route.fulfill({ json: [] }))
  await page.route('**/api/find*', (route) =>
    route.fulfill({ json: { rows: [], hits: {}, total: 0, next: null } }),
  )
  await page.route('**/api/heartbeat', async (route) => {
    const response = await route.fetch({ headers: { ...route.request().headers(), 'if-none-match': '' } })
    const beat = (await response.json()) as { counts: Record<string, unknown>; rings: unknown[] }
    for (const [name, count] of Object.entries(beat.counts))
      if (typeof count === 'number') beat.counts[name] = 0
    await route.fulfill({ response, json: { ...beat, rings: [] } })
  })
  await page.route('**/api/days?*', async (route) => {
    const response = await route.fetch()
    const days = (await response.json()) as Record<string, unknown>[]
    const empty = days.map((day) => ({ ...day, tasks: 0, minutes: 0, starts: 0, returns: 0 }))
    await route.fulfill({ response, json: empty })
  })
  await page.reload()
  await expect(page.getByRole('region', { name: 'First steps' })).toBeVisible()
  await shoot(desk, 'first-visit')
})

test('pictures of a clearing', async ({ desk, page }) => {
  test.setTimeout(240_000)
  await desk.press('Space')
  await expect(page.locator('.conversation h1')).toBeVisible()
  for (let passed = 0; passed < 3; ++passed) await desk.press('ArrowRight')
  await expect(page.locator('.conversation h1')).toHaveText(/Before the inspection|Interim report/)
  await shoot(desk, 'clearing')
  const invitation = page.getByRole('button', { name: /^Invitation/ })
  let passed = 3
  for (
    ;
    passed < 60 && !(await page.locator('.conversation h1').innerText()).startsWith('Invitation');
    ++passed
  ) {
    const before = await page.locator('.conversation h1').innerText()
    await desk.press('ArrowRight')
    await expect(page.locator('.conversation h1')).not.toHaveText(before)
    await page.waitForLoadState('networkidle')
  }
  await expect(invitation).toBeVisible()
  await shoot(desk, 'invitation')
  for (let back = 0; back < passed; ++back) await desk.press('ArrowLeft')
  const status = page.getByRole('status').filter({ hasText: 'left' })
  for (let turn = 0; turn < 60; ++turn) {
    await expect(page.locator('.conversation h1, .summary h1')).toBeVisible()
    if (await page.locator('.summary').isVisible()) break
    const before = await status.innerText()
    const advised = await page.locator('.card.advised .text').innerText()
    if (turn % 6 === 4 || advised === 'Snooze') await desk.press('3', '2')
    else if (advised === 'Do it now') await desk.press('1', '1')
    else if (advised === 'Hand over') await desk.press('5')
    else await desk.press('Space')
    await expect(page.getByText(before, { exact: true })).toHaveCount(0)
  }
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The tray is empty')
})

// The tray is empty by then.
test('pictures of a mailbox that is connected', async ({ page }) => {
  const desk = { page }
  const folder = mkdtempSync(join(tmpdir(), 'zippy-shots-'))
  const server = (what: string) =>
    execFileSync('php', ['demo/mail-server.php', what, folder], { encoding: 'utf8' })
  const { port, password } = JSON.parse(server('start')) as { port: number; password: string }
  try {
    server('old')
    await page.goto('/')
    await page.getByLabel('Email address').fill('wren@ternpoint.example')
    await page.getByLabel('Password').fill('tern-point-light')
    await page.getByRole('button', { name: 'Sign in' }).click()
    await expect(page.getByRole('navigation', { name: 'Views' })).toBeVisible()
    await page.goto('/settings#mailboxes')
    const part = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Mailboxes' }) })
    await part.getByLabel('Address', { exact: true }).fill('office@ternpoint.example')
    await part.getByLabel('Password').fill(password)
    await part.getByText('Where it is').click()
    await part.getByLabel('Server').first().fill('127.0.0.1')
    await part.getByLabel('Port').first().fill(String(port))
    await part.getByLabel('Encryption').first().selectOption('plain')
    await part.getByLabel('Server').last().fill('')
    await part.getByLabel('Signs in as').fill('office')
    await part.getByText('Where it is').click()
    await part.getByRole('button', { name: 'Try it' }).click()
    await part.getByRole('radio', { name: 'What came in the last 14 days' }).check()
    await part.getByText('Folders').click()
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
    await part.evaluate((section) => section.scrollIntoView({ block: 'start' }))
    await page.waitForTimeout(600)
    await shoot(desk, 'connect-mailbox')
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await part.getByRole('button', { name: 'Connect', exact: true }).click()
    await page.goto('/')
    await page.getByRole('button', { name: 'See what had better stay' }).click({ timeout: 120_000 })
    await expect(page.getByText('Tick what can go')).toBeVisible({ timeout: 30_000 })
    await shoot(desk, 'what-stays')
  } finally {
    server('stop')
    rmSync(folder, { recursive: true, force: true })
  }
})
