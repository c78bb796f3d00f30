import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Desk } from './desk'

/** A mailbox on a real mail server, from the first address that is typed to what the server has at the end. */

const ROOT = join(import.meta.dirname, '../..')
const folder = mkdtempSync(join(tmpdir(), 'zippy-mailbox-'))
const server = (what: string, ...more: string[]) =>
  execFileSync('php', [join(ROOT, 'demo/mail-server.php'), what, folder, ...more], { encoding: 'utf8' })
const { port, password } = JSON.parse(server('start')) as { port: number; password: string }
test.afterAll(() => {
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

async function connect(desk: Desk, user: string): Promise<void> {
  const { page } = desk
  await page.goto('/settings')
  const part = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Mailboxes' }) })
  await part.getByRole('button', { name: 'Connect your mailbox' }).click()
  await part.getByLabel('Password').fill('not this one')
  await part.getByText('Where it is').click()
  await part.getByLabel('Server').first().fill('127.0.0.1')
  await part.getByLabel('Port').first().fill(String(port))
  await part.getByLabel('Encryption').first().selectOption('plain')
  await part.getByLabel('Server').last().fill('')
  await part.getByLabel('Signs in as').fill(user)
  await part.getByRole('button', { name: 'Try it' }).click()
  await expect(part.getByRole('alert')).toContainText('does not take the name or the password')
  // What was typed is still there.
  await expect(part.getByLabel('Signs in as')).toHaveValue(user)
  await part.getByLabel('Password').fill(password)
  await part.getByRole('button', { name: 'Try it' }).click()
  await expect(part.getByText('4 of them in the inbox')).toBeVisible()
  await desk.expectAccessible('the form of a mailbox')
  // Choosing what becomes of it does not ask for another try.
  await part.getByRole('radio', { name: 'All of it is to be decided' }).check()
  await part.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(part.getByText('4 messages in step')).toBeVisible({ timeout: 60_000 })
}

test('a mailbox is connected, three are decided, and the server has them where they belong', async ({
  desk,
  page,
}) => {
  const user = 'wren'
  for (const name of ['lens', 'slates', 'rota', 'ferry']) server('put', user, `About the ${name}`, name)
  await connect(desk, user)
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

  // Decided elsewhere, with another program.
  admin(user, 'move', 'Archive', 'mailbox', 'INBOX', 'header', 'message-id', '<ferry@glass.example>')
  await page.goto('/settings')
  await page.getByRole('button', { name: 'Look now' }).click()
  await desk.goTo('Tray')
  await expect(desk.row('About the ferry')).toHaveCount(0, { timeout: 60_000 })
  await desk.goTo('Journal')
  await expect(page.getByText('Decided elsewhere').first()).toBeVisible()
  await expect(page.getByText('archived elsewhere').first()).toBeVisible()
})
