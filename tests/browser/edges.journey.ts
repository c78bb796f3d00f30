import { expect, test } from './desk'
import { bring } from './post'

/** What stands at the edges of the page: the dock below, the bar of a phone, the first visit, and what is owed. */

test('what was just done is said below for some seconds, covers nothing, and stays behind Undo', async ({
  desk,
  page,
}) => {
  await desk.goTo('Tasks')
  for (const title of ['Dust the top', 'Dust the middle', 'Dust the foot']) await desk.jot(title)
  const slips = page.getByRole('region', { name: 'What you did last' })
  await expect(slips.getByRole('button', { name: 'Undo' })).toHaveCount(2)
  // The end of the view can be scrolled above it.
  const last = page.getByRole('main').getByRole('listitem').last()
  await last.scrollIntoViewIfNeeded()
  await page.mouse.wheel(0, 20_000)
  await expect
    .poll(async () => {
      const [row, dock] = [await last.boundingBox(), await slips.boundingBox()]
      return row && dock ? row.y + row.height <= dock.y : true
    })
    .toBe(true)
  await expect(slips).toHaveCount(0, { timeout: 60_000 })
  for (const title of ['Dust the foot', 'Dust the middle', 'Dust the top']) {
    await desk.undoLast()
    await expect(desk.row(title)).toHaveCount(0)
  }
})

test('the bar stands still: neither its focus nor its menus move the page', async ({ desk, page }) => {
  await desk.goTo('Journal')
  await desk.goTo('Tray')
  const lower = async () => {
    await page.evaluate(() => window.scrollTo(0, 600))
    await expect.poll(() => page.evaluate(() => window.scrollY)).toBe(600)
  }
  await lower()
  const moved = await page.evaluate(() => {
    const found: string[] = []
    for (const part of Array.from(
      document.querySelectorAll<HTMLElement>('header a, header button, .stick button'),
    )) {
      part.focus()
      if (window.scrollY !== 600) found.push(`${part.innerText} to ${window.scrollY}`)
      window.scrollTo(0, 600)
    }
    return found
  })
  expect(moved).toEqual([])

  const clock = page.getByTitle('Demo clock', { exact: false })
  const item = page.getByText('A week on')
  await clock.click()
  const open = await item.boundingBox()
  await page.evaluate(() => window.scrollTo(0, 100))
  expect(await item.boundingBox()).toEqual(open)
  await desk.press('Escape')
  await expect(item).toBeHidden()
})

test('on a phone the decisions stand at the lower edge while one reads', async ({ desk, page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await desk.open('Bell rope')
  const archive = page.locator('button.card', { hasText: /Archive/ })
  const low = async () => {
    const box = await archive.boundingBox()
    return box ? box.y > 600 && box.y + box.height <= 844 : false
  }
  await expect.poll(low).toBe(true)
  await page.mouse.wheel(0, 600)
  await expect.poll(low).toBe(true)
  await page.locator('button.card', { hasText: 'Snooze' }).click()
  await expect(page.getByRole('button', { name: /Tomorrow morning/ })).toBeInViewport()
  await page.locator('button.card', { hasText: 'Snooze' }).click()
  await archive.click()
  await desk.goTo('Tray')
  await expect(desk.row('Bell rope')).toHaveCount(0)
  await desk.undoByKey()
  await expect(desk.row('Bell rope')).toBeVisible()
})

test('a tray that never held anything leads to real use in three steps', async ({ desk, page }) => {
  await page.route('**/api/tray*', (route) => route.fulfill({ json: [] }))
  await page.route('**/api/find*', (route) =>
    route.fulfill({ json: { rows: [], hits: {}, total: 0, next: null } }),
  )
  await page.reload()
  const first = page.getByRole('region', { name: 'First steps' })
  await expect(first.getByRole('listitem')).toHaveCount(3)
  await desk.expectAccessible('the first visit')
  await first.getByRole('button', { name: 'Look at it' }).click()
  await expect(page.getByRole('dialog', { name: 'The method' }).getByRole('button')).toBeFocused()
  await desk.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  const taken = page.waitForResponse((response) => response.url().endsWith('/api/imports'))
  await first.getByRole('button', { name: 'Take five along' }).click()
  expect((await taken).ok()).toBe(true)
  await page.unroute('**/api/tray*')
  await page.unroute('**/api/find*')
  await page.reload()
  const letters = [
    'Which room?',
    'Figures for the board',
    'What happened in the wheelhouse',
    'Before we begin',
  ]
  for (const subject of letters) await expect(desk.row(subject)).toBeVisible()
  for (const subject of letters) await page.getByLabel(`Select ${subject}`).click()
  await desk.press('6')
  for (const subject of letters) await expect(desk.row(subject)).toHaveCount(0)
})

test('an answer that only promises leaves it owed, with one key', async ({ desk, page }) => {
  await page.goto('/owed')
  const petra = page.getByRole('region', { name: 'Petra Lindqvist' })
  await petra.getByRole('link', { name: /Fee note/ }).click()
  await page.waitForURL(/\/c\//)
  const asked = await page.evaluate(async () => {
    const answer = await fetch(`/api/conversations/${location.pathname.split('/')[2]}`)
    const { messages } = (await answer.json()) as { messages: { messageHeader: string }[] }
    return messages.at(-1)?.messageHeader ?? ''
  })
  await bring(page, {
    subject: 'Re: Fee note',
    text: 'I am looking into it, you will have it by the end of next week.',
    answers: asked.replace(/^<|>$/g, ''),
  })
  await page.goto('/')
  await page
    .getByRole('link', { name: /Fee note.*looking into it|Fee note/ })
    .first()
    .click()
  await expect(page.getByText('That may be no answer yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Still owed until/ })).toBeVisible()
  await desk.press('/')
  await page.goto('/owed')
  await expect(petra.getByRole('listitem').filter({ hasText: 'Fee note' })).toBeVisible()
  await expect(
    page.getByRole('region', { name: 'Settled lately' }).filter({ hasText: 'Fee note' }),
  ).toHaveCount(0)
})
