import AxeBuilder from '@axe-core/playwright'
import { expect, test as base, type Locator, type Page, type Request, type Route } from '@playwright/test'

export { expect }

const ADDRESSES = {
  Tray: '/',
  Tasks: '/tasks',
  Agenda: '/agenda',
  'Coming back': '/coming-back',
  Find: '/find',
  Journal: '/journal',
} as const

/** Everything that these tests do on the page, in the words of the person who does it. */
export class Desk {
  constructor(readonly page: Page) {}

  async signIn(): Promise<void> {
    await this.page.goto('/')
    await this.page.getByLabel('Email address').fill('wren@ternpoint.example')
    await this.page.getByLabel('Password').fill('tern-point-light')
    await this.page.getByRole('button', { name: 'Sign in' }).click()
    await expect(this.page.getByRole('heading', { level: 1 })).toContainText('to decide')
  }

  /** From then on what is asked for there is answered by the journey. A slow page hears of that a moment later than the browser. */
  async intercept(url: string, handler: (route: Route) => unknown): Promise<void> {
    await this.page.route(url, handler)
    await this.page.route('**/is-intercepted', (route) => route.fulfill({ body: 'yes' }))
    await expect
      .poll(() => this.page.evaluate(async () => (await fetch('/is-intercepted')).text()))
      .toBe('yes')
  }

  async goTo(view: keyof typeof ADDRESSES): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view }).click()
    await this.page.waitForURL((url) => url.pathname === ADDRESSES[view])
  }

  row(text: string): Locator {
    return this.page.getByRole('listitem').filter({ hasText: text })
  }

  /** A task in the person's own order. */
  leaf(text: string): Locator {
    return this.page.getByRole('treeitem').filter({ hasText: text })
  }

  /** A day of the rail. */
  day(index: number): Locator {
    return this.page.getByRole('region', { name: 'The coming days' }).locator('.slot > button').nth(index)
  }

  /** Writes a task down in one line. */
  async jot(line: string): Promise<void> {
    await this.press(';')
    const field = this.page.getByRole('textbox', { name: 'Jot' })
    await field.fill(line)
    await expect(this.page.getByRole('list', { name: 'How the line is read' })).toBeVisible()
    await this.press('Enter')
    await expect(field).toBeHidden()
  }

  async open(subject: string): Promise<void> {
    await this.row(subject).getByRole('link').click()
    await this.page.waitForURL(/\/c\//)
    await expect(this.page.getByRole('heading', { name: 'What becomes of it?' })).toBeVisible()
  }

  async count(view: string): Promise<number> {
    const text = await this.page
      .getByRole('navigation', { name: 'Views' })
      .getByRole('link', { name: view })
      .locator('[data-count]')
      .innerText()
    return Number(text)
  }

  async expectCount(view: string, count: number): Promise<void> {
    await expect(
      this.page
        .getByRole('navigation', { name: 'Views' })
        .getByRole('link', { name: view })
        .locator('[data-count]'),
    ).toHaveText(String(count))
  }

  /** From the menu in the bar, which stays when the slip below has gone. */
  async undoLast(): Promise<void> {
    await this.page.getByTitle('What you did last').click()
    const undo = this.page.locator('.steps').getByRole('button', { name: 'Undo' }).first()
    await this.undone(() => undo.click())
  }

  async undoByKey(): Promise<void> {
    await this.undone(() => this.press('Control+z'))
  }

  /** A journey does not end, nor go on, before the server has undone it: the next one begins with what this one left. */
  private async undone(ask: () => Promise<void>): Promise<void> {
    const answered = this.page.waitForResponse((response) => response.url().endsWith('/undo'))
    await ask()
    expect((await answered).ok()).toBe(true)
  }

  async moveClock(to: 'An hour on' | 'To tomorrow morning' | 'A week on'): Promise<void> {
    const clock = this.page.getByTitle('Demo clock', { exact: false })
    const before = await clock.innerText()
    await clock.click()
    await this.page.getByText(to).click()
    await expect(clock).not.toHaveText(before)
  }

  /** The card of the reminders that have come. */
  get reminders(): Locator {
    return this.page.locator('section.rings')
  }

  /** All that have come, also where only the first of them stand there. */
  async showReminders(): Promise<void> {
    await expect(this.reminders).toBeVisible()
    const more = this.reminders.getByRole('button', { name: /^Show all/ })
    if (await more.count()) await more.click()
  }

  /** Whatever reminds by now has been seen. */
  async seeReminders(): Promise<void> {
    await this.page.evaluate(async () => {
      const beat = (await (await fetch('/api/heartbeat')).json()) as { rings: { id: string }[] }
      const rings = beat.rings.map(({ id }) => id)
      const headers = { 'Content-Type': 'application/json', 'X-Csrf-Token': crypto.randomUUID() }
      const body = JSON.stringify({ entry: crypto.randomUUID(), rings })
      if (rings.length) await fetch('/api/rings/let-go', { method: 'POST', headers, body })
    })
    await expect(this.reminders).toHaveCount(0)
  }

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) await this.page.keyboard.press(key)
  }

  /** No fault that a machine can find against WCAG 2, A and AA, and nothing that scrolls sideways. */
  async expectAccessible(what: string): Promise<void> {
    await this.page.waitForLoadState('networkidle')
    const { violations } = await new AxeBuilder({ page: this.page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
      .exclude('iframe')
      .analyze()
    const found = violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 200)).join(' | ')}`,
    )
    expect(found, what).toEqual([])
    const [content, window] = await this.page.evaluate(() => [
      document.documentElement.scrollWidth,
      document.documentElement.clientWidth,
    ])
    expect(content, `${what} scrolls sideways`).toBeLessThanOrEqual(window ?? 0)
  }
}

/** Keeps the last things that a hand did to the page and what they met there, for a journey that fails. */
function keepWhatWasHeard(): void {
  const heard: string[] = []
  Object.assign(window, { heard })
  for (const type of ['pointerdown', 'pointerup', 'click', 'keydown', 'focusin'])
    window.addEventListener(
      type,
      (event) => {
        const met = event.target instanceof Element ? event.target : document.documentElement
        const where = event instanceof MouseEvent ? `at ${event.clientX},${event.clientY}` : ''
        const { left, top, width, height } = met.getBoundingClientRect()
        const box = [left, top, width, height].map(Math.round).join(' ')
        const key = event instanceof KeyboardEvent ? event.key : ''
        heard.push(
          `${Math.round(performance.now())} ${type} ${key} ${where} <${met.tagName.toLowerCase()} class="${met.className}"> in ${box}`,
        )
        if (heard.length > 60) heard.shift()
      },
      { capture: true },
    )
}

/**
 * A person at a desk, whose browser ZIPPY_SLOWER=6 makes six times slower; whatever the page complains about in its console
 * fails the test.
 */
export const test = base.extend<{ desk: Desk }>({
  desk: async ({ page }, use, info) => {
    await page.addInitScript(keepWhatWasHeard)
    const complaints: string[] = []
    page.on('pageerror', (error) => complaints.push(error.message))
    page.on('console', (message) => {
      const isAnswer = /Failed to load resource/.test(message.text())
      if (message.type() === 'error' && !isAnswer) complaints.push(message.text())
    })
    const underWay = new Set<Request>()
    page.on('request', (request) => request.method() !== 'GET' && underWay.add(request))
    page.on('requestfinished', (request) => underWay.delete(request))
    page.on('requestfailed', (request) => underWay.delete(request))
    const slower = Number(process.env.ZIPPY_SLOWER ?? 1)
    if (slower > 1) {
      const browser = await page.context().newCDPSession(page)
      await browser.send('Emulation.setCPUThrottlingRate', { rate: slower })
    }
    const desk = new Desk(page)
    await desk.signIn()
    await desk.seeReminders()
    await use(desk)
    if (info.errors.length > 0) {
      const heard = await page.evaluate(() => (window as unknown as { heard: string[] }).heard)
      console.log(`What the page heard last:\n${heard.join('\n')}`)
    }
    // What was asked for last is not cut off by the end of the journey.
    await expect.poll(() => underWay.size, { message: 'changes under way' }).toBe(0)
    expect(complaints).toEqual([])
  },
})
