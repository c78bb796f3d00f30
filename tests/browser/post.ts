import { execFileSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { expect, type Desk } from './desk'

const room = join(process.env.ZIPPY_DATA ?? '', 'post-room')

/** What the post room has taken, as it lies there. */
export const sent = (): string[] =>
  readdirSync(join(room, 'sent', 'new')).map((name) => readFileSync(join(room, 'sent', 'new', name), 'utf8'))

export const sentAbout = (subject: string) => sent().filter((raw) => raw.includes(`Subject: ${subject}`))

interface Incoming {
  subject: string
  from?: string
  text?: string
  type?: string
  /** Its Message-ID, and that of the one that it answers, without angle brackets */
  id?: string
  answers?: string
}

/** When the last letter came in. */
let last = ''

/** A letter comes in, whatever is on the page. */
export async function bring(page: Page, letter: Incoming): Promise<void> {
  const { subject, from, text, type, id, answers } = {
    from: 'Petra Lindqvist <petra@ternpoint.example>',
    text: 'Which one shall it be?',
    type: 'text/plain',
    id: `${crypto.randomUUID()}@ternpoint.example`,
    ...letter,
  }
  let now = last
  // Letters of one second have no order.
  await expect
    .poll(async () => {
      now = await page.evaluate(
        async () =>
          ((await (await fetch('/api/heartbeat', { cache: 'no-store' })).json()) as { now: string }).now,
      )
      return now
    })
    .not.toBe(last)
  last = now
  const raw = [
    `From: ${from}`,
    'To: wren@ternpoint.example',
    `Subject: ${subject}`,
    `Date: ${new Date(now).toUTCString()}`,
    `Message-ID: <${id}>`,
    ...(answers ? [`In-Reply-To: <${answers}>`] : []),
    `Content-Type: ${type}; charset=utf-8`,
    '',
    `${text}\r\n`,
  ].join('\r\n')
  const status = await page.evaluate(async (letter) => {
    const body = new FormData()
    body.append('into', 'tray')
    body.append('files[]', new File([letter], 'letter.eml', { type: 'message/rfc822' }))
    return (
      await fetch('/api/imports', { method: 'POST', body, headers: { 'X-Csrf-Token': crypto.randomUUID() } })
    ).status
  }, raw)
  expect(status).toBe(200)
}

/** A letter is handed in at the post room, from which the worker fetches it. */
export function handIn(raw: string): void {
  execFileSync('./zippy', ['console', 'post-room:bring', '-'], {
    input: raw,
    cwd: join(import.meta.dirname, '../..'),
  })
}

/** A letter comes in, and is seen in the tray. */
export async function receive(desk: Desk, subject: string, from?: string, text?: string, type?: string) {
  await bring(desk.page, {
    subject,
    ...(from ? { from } : {}),
    ...(text ? { text } : {}),
    ...(type ? { type } : {}),
  })
  await desk.page.goto('/')
  await expect(desk.row(subject)).toBeVisible()
}

export const sheet = (desk: Desk) => desk.page.getByRole('region', { name: 'Your message' })
export const text = (desk: Desk) => desk.page.getByRole('textbox', { name: 'Text', exact: true })
export const back = (desk: Desk, subject: string) =>
  desk.page.getByRole('region', { name: 'Back with you' }).getByRole('listitem').filter({ hasText: subject })

/** Somebody is found by the beginning of their name. */
export async function addressTo(desk: Desk, name: string): Promise<void> {
  await expect(desk.page.locator('input[role=combobox]:focus')).toBeVisible()
  await desk.page.keyboard.type(name)
  await expect(desk.page.getByRole('option').first()).toBeVisible()
  await desk.press('Enter')
}
