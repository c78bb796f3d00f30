import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, type Desk } from './desk'

const room = join(process.env.ZIPPY_DATA ?? '', 'post-room')

/** What the post room has taken, as it lies there. */
export const sent = (): string[] =>
  readdirSync(join(room, 'sent', 'new')).map((name) => readFileSync(join(room, 'sent', 'new', name), 'utf8'))

export const sentAbout = (subject: string) => sent().filter((raw) => raw.includes(`Subject: ${subject}`))

/** A letter comes in. */
export async function receive(
  desk: Desk,
  subject: string,
  from = 'Petra Lindqvist <petra@ternpoint.example>',
  text = 'Which one shall it be?',
  type = 'text/plain',
) {
  const now = await desk.page.evaluate(
    async () => ((await (await fetch('/api/heartbeat')).json()) as { now: string }).now,
  )
  const raw = `From: ${from}\r\nTo: wren@ternpoint.example\r\nSubject: ${subject}\r\nDate: ${new Date(now).toUTCString()}\r\nMessage-ID: <${crypto.randomUUID()}@ternpoint.example>\r\nContent-Type: ${type}; charset=utf-8\r\n\r\n${text}\r\n`
  const status = await desk.page.evaluate(async (letter) => {
    const body = new FormData()
    body.append('into', 'tray')
    body.append('files[]', new File([letter], 'letter.eml', { type: 'message/rfc822' }))
    return (
      await fetch('/api/imports', { method: 'POST', body, headers: { 'X-Csrf-Token': crypto.randomUUID() } })
    ).status
  }, raw)
  expect(status).toBe(200)
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
