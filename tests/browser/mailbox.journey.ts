import { execFileSync, spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { expect, test, type Desk } from './desk'

/** A mailbox on a real mail server, from the first address that is typed to what the server has at the end. */

const ROOT = join(import.meta.dirname, '../..')
const folder = mkdtempSync(join(tmpdir(), 'zippy-mailbox-'))
const server = (what: string, ...more: string[]) =>
  execFileSync('php', [join(ROOT, 'demo/mail-server.php'), what, folder, ...more], { encoding: 'utf8' })

/** A provider at whom one signs in, and whom the mail server asks. */
const PROVIDER = 20_000 + (process.pid % 10_000)
const provider = spawn(
  'php',
  ['-S', `127.0.0.1:${PROVIDER}`, join(ROOT, 'tests/server/Imap/authorization-server.php')],
  { env: { ...process.env, FOLDER: folder }, stdio: 'ignore' },
)
const { port, password } = JSON.parse(server('start', `http://127.0.0.1:${PROVIDER}/introspect?token=`)) as {
  port: number
  password: string
}
process.once('exit', () => provider.kill())
test.afterAll(() => {
  provider.kill()
  server('stop')
  rmSync(folder, { recursive: true, force: true })
})

const admin = (user: string, ...command: string[]) =>
  execFileSync(
    'doveadm',
    [
      '-f',
      'flow',
      '-c',
      join(folder, 'dovecot.conf'),
      ...command.slice(0, 1),
      '-u',
      user,
      ...command.slice(1),
    ],
    {
      encoding: 'utf8',
    },
  )
/** Where each message lies, as the server's own tool says. */
const lies = (user: string) =>
  admin(user, 'fetch', 'mailbox hdr.message-id', 'all')
    .split('\n')
    .map((line) => /mailbox=(\S+) hdr\.message-id=<(\w+)@/.exec(line))
    .flatMap((found) => (found ? [`${found[2]}: ${found[1]}`] : []))
    .sort()

const FIELDS = (page: Page) =>
  page.locator('section').filter({ has: page.getByRole('heading', { name: 'Mailboxes' }) })

/** The form of a mailbox, filled in; it is still to be tried. */
async function fillIn({ page }: Desk, user: string, secret: string) {
  await page.goto('/settings')
  const part = FIELDS(page)
  await part.getByRole('button', { name: /^Connect (your|another) mailbox$/ }).click()
  await part.getByLabel('Address', { exact: true }).fill(`${user}@ternpoint.example`)
  await part.getByLabel('Password').fill(secret)
  await part.getByText('Where it is').click()
  await part.getByLabel('Server').first().fill('127.0.0.1')
  await part.getByLabel('Port').first().fill(String(port))
  await part.getByLabel('Encryption').first().selectOption('plain')
  await part.getByLabel('Server').last().fill('')
  await part.getByLabel('Signs in as').fill(user)
  return part
}

async function connect(desk: Desk, user: string, which = 'All of it'): Promise<void> {
  const part = await fillIn(desk, user, password)
  await part.getByRole('button', { name: 'Try it' }).click()
  await part.getByRole('radio', { name: which }).check()
  await part.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(
    part
      .getByRole('listitem')
      .filter({ hasText: `${user}@` })
      .first(),
  ).toBeVisible()
}
const inStep = (page: Page, user: string) =>
  expect(
    FIELDS(page)
      .getByRole('listitem')
      .filter({ hasText: `${user}@` })
      .last(),
  ).toContainText(/\d messages? in step/, { timeout: 60_000 })

test('a wrong password is said at once, and what was typed stays', async ({ desk, page }) => {
  server('put', 'tam', 'About the lens', 'lens')
  const part = await fillIn(desk, 'tam', 'not this one')
  await part.getByRole('button', { name: 'Try it' }).click()
  await expect(part.getByRole('alert')).toContainText('does not take the name or the password')
  await expect(part.getByLabel('Signs in as')).toHaveValue('tam')
  await part.getByLabel('Password').fill(password)
  await part.getByRole('button', { name: 'Try it' }).click()
  await expect(part.getByText('1 message, 1 of them in the inbox')).toBeVisible()
  await desk.expectAccessible('the form of a mailbox')
  // Nothing of it is lost by Esc, but for the password, which is not kept.
  await page.keyboard.press('Escape')
  await part.getByRole('button', { name: 'Connect your mailbox' }).click()
  await expect(part.getByLabel('Signs in as')).toHaveValue('tam')
  await expect(part.getByLabel('Password')).toHaveValue('')
})

test('a mailbox is connected, three are decided, and the server has them where they belong', async ({
  desk,
  page,
}) => {
  const user = 'wren'
  for (const name of ['lens', 'slates', 'rota', 'ferry']) server('put', user, `About the ${name}`, name)
  await connect(desk, user)
  await inStep(page, user)
  for (const [subject, key] of [
    ['About the lens', '5'],
    ['About the slates', '6'],
    ['About the rota', '5'],
  ] as const) {
    await desk.goTo('Tray')
    await desk.open(subject)
    await desk.press(key)
    await expect(page.getByRole('heading', { name: subject })).toHaveCount(0)
  }
  await expect
    .poll(() => lies(user), { timeout: 60_000 })
    .toEqual(['ferry: INBOX', 'lens: Archive', 'rota: Archive', 'slates: Trash'])
  await desk.undoByKey()
  await expect.poll(() => lies(user), { timeout: 60_000 }).toContain('rota: INBOX')
})

test('what is decided elsewhere is out of the tray, and the journal says so', async ({ desk, page }) => {
  const user = 'ilse'
  for (const name of ['bell', 'buoy']) server('put', user, `About the ${name}`, name)
  await connect(desk, user)
  await inStep(page, user)
  await desk.goTo('Tray')
  await expect(desk.row('About the bell')).toBeVisible({ timeout: 60_000 })
  admin(user, 'move', 'Archive', 'mailbox', 'INBOX', 'header', 'message-id', '<bell@glass.example>')
  await page.goto('/settings')
  await page.getByRole('button', { name: 'Look now' }).last().click()
  await desk.goTo('Tray')
  await expect(desk.row('About the bell')).toHaveCount(0, { timeout: 60_000 })
  await expect(desk.row('About the buoy')).toBeVisible()
  await desk.goTo('Journal')
  await expect(page.getByText('Decided elsewhere').first()).toBeVisible()
  await expect(page.getByText('archived elsewhere').first()).toBeVisible()
})

test('what the server would not do is said with its reason, and given up', async ({ desk, page }) => {
  const user = 'vesna'
  server('put', user, 'About the hinge', 'hinge')
  await connect(desk, user)
  await inStep(page, user)
  // Nothing can be put into its archive.
  const archive = join(folder, 'mail', user, '.Archive')
  const shut = (mode: number) =>
    ['cur', 'new', 'tmp', '.'].forEach((name) => chmodSync(join(archive, name), mode))
  shut(0o500)
  await desk.goTo('Tray')
  await desk.open('About the hinge')
  await desk.press('5')
  await expect(page.getByRole('heading', { name: 'About the hinge' })).toHaveCount(0)
  await page.goto('/settings')
  const troubles = page.getByRole('region', { name: 'What the server would not do' })
  await expect(async () => {
    await FIELDS(page).getByRole('button', { name: 'Look now' }).last().click()
    await expect(troubles).toContainText('1 change the server would not make', { timeout: 3000 })
  }).toPass({ timeout: 60_000 })
  await expect(troubles).toContainText('About the hinge to Archive')
  await desk.expectAccessible('what the server would not do')
  await troubles.getByRole('button', { name: 'Try again now' }).click()
  await troubles.getByRole('button', { name: 'Leave About the hinge there as it is' }).click()
  await expect(troubles).toHaveCount(0)
  shut(0o700)
  await FIELDS(page).getByRole('button', { name: 'Look now' }).last().click()
  await desk.goTo('Tray')
  await expect(desk.row('About the hinge')).toHaveCount(0)
  expect(lies(user)).toEqual(['hinge: INBOX'])
})

test('of an old inbox a part is decided, and what had better stay of the rest is shown first', async ({
  desk,
  page,
}) => {
  const user = 'office'
  server('put', user, 'The new lens', 'new', '2')
  server('put', user, 'The old question', 'question', '400', 'Could you send me the drawings, please?')
  server('put', user, 'The old news', 'news', '500', 'The scaffolding is up. Kind regards')
  await connect(desk, user, 'What came in the last 14 days')
  await desk.goTo('Tray')
  await expect(desk.row('The new lens')).toBeVisible({ timeout: 60_000 })
  await expect(desk.row('The old question')).toHaveCount(0)
  await page.getByRole('button', { name: 'See what had better stay' }).click({ timeout: 60_000 })
  const dialog = page.getByRole('dialog', { name: 'What is older in office@ternpoint.example' })
  const held = dialog.getByRole('group', { name: 'What stays' })
  await expect(held.getByText('Asks for something · 1')).toBeVisible()
  await expect(held.getByText('The old question')).toBeVisible()
  await desk.expectAccessible('what had better stay')
  // The other one was never answered, and may go nevertheless.
  await held.getByRole('listitem').filter({ hasText: 'The old news' }).getByRole('checkbox').check()
  await dialog.getByLabel('On the server, too').check()
  await page.getByRole('button', { name: 'Archive 1 conversation' }).click()
  await expect(dialog).toBeHidden()
  await expect(desk.row('The old question')).toBeVisible()
  await expect
    .poll(() => lies(user), { timeout: 60_000 })
    .toEqual(['new: INBOX', 'news: Archive', 'question: INBOX'])
  await expect(page.getByRole('button', { name: 'See what had better stay' })).toHaveCount(0)
})

test('on a phone a mailbox is connected, too', async ({ desk, page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const user = 'petra'
  server('put', user, 'About the gulls', 'gulls')
  await connect(desk, user)
  await inStep(page, user)
  await page.goto('/')
  await expect(desk.row('About the gulls')).toBeVisible({ timeout: 60_000 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('who signs in at the provider of a mailbox is led back, and connects it', async ({ desk, page }) => {
  writeFileSync(
    join(process.env.ZIPPY_DATA ?? '', 'providers.yaml'),
    `providers:
  - name: Example Mail
    domains: [signed.example]
    authorize: http://127.0.0.1:${PROVIDER}/authorize
    token: http://127.0.0.1:${PROVIDER}/token
    client: tern-point
    imap: { host: 127.0.0.1, port: ${port}, security: plain }
`,
  )
  server('put', 'wilma', 'About the wick', 'wick')
  await page.goto('/settings')
  const part = FIELDS(page)
  await part.getByRole('button', { name: /^Connect (your|another) mailbox$/ }).click()
  await part.getByLabel('Address', { exact: true }).fill('wilma@signed.example')
  await part.getByLabel('Address', { exact: true }).press('Tab')
  await part.getByRole('button', { name: 'Sign in at Example Mail' }).click()
  await page.getByRole('link', { name: 'Do not allow' }).click()
  await expect(page.getByText('Example Mail did not let this program in.').first()).toBeVisible()
  // What was entered is still there.
  await expect(part.getByLabel('Address', { exact: true })).toHaveValue('wilma@signed.example')
  await part.getByRole('button', { name: 'Sign in at Example Mail' }).click()
  await page.getByRole('link', { name: 'Allow', exact: true }).click()
  await expect(part.getByText('You have signed in at Example Mail.')).toBeVisible()
  expect(page.url()).not.toContain('code=')
  await part.getByText('Where it is').click()
  await part.getByLabel('Signs in as').fill('wilma')
  await part.getByLabel('Server').last().fill('')
  await part.getByRole('button', { name: 'Try it' }).click()
  await part.getByRole('radio', { name: 'All of it' }).check()
  await desk.expectAccessible('signed in at a provider')
  await part.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(part.getByText('signed in at Example Mail')).toBeVisible()
  await inStep(page, 'wilma')
})
