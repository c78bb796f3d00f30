import { expect, test, type Desk } from './desk'
import { receive } from './post'

/** Conversations that belong to lists. */

const slip = (desk: Desk) => desk.page.getByRole('dialog', { name: 'Labels and lists' })
const nav = (desk: Desk) => desk.page.getByRole('navigation', { name: 'Lists' })

test('with the keyboard: mail is put into a list, found there, and taken out', async ({ desk, page }) => {
  await receive(desk, 'Ridge tiles')
  await receive(desk, 'Lead for the valley')
  await desk.press('Home')
  await desk.row('Ridge tiles').getByRole('link').focus()
  await desk.press('F7')
  await expect(slip(desk).getByRole('heading')).toHaveText('Put 1 conversation into a list')
  await page.keyboard.type('no such list')
  await expect(slip(desk)).toContainText('No list is called so')
  await desk.press('Escape')
  await expect(slip(desk)).toHaveCount(0)
  await desk.row('Ridge tiles').getByRole('link').focus()
  await desk.press('F7')
  await expect(slip(desk).getByRole('textbox')).toHaveValue('no such list')
  await slip(desk).getByRole('textbox').fill('supp')
  await desk.expectAccessible('the slip of lists')
  await desk.press('Enter')
  await expect(slip(desk)).toHaveCount(0)
  await expect(desk.row('Ridge tiles').locator('.list-word')).toHaveText('Supplies')
  await desk.undoByKey()
  await expect(desk.row('Ridge tiles').locator('.list-word')).toHaveCount(0)
  await desk.row('Ridge tiles').getByRole('link').focus()
  await desk.press('F7')
  await slip(desk).getByRole('textbox').fill('supplies')
  await desk.press('Enter')
  await expect(desk.row('Ridge tiles').locator('.list-word')).toHaveText('Supplies')

  await desk.row('Ridge tiles').getByRole('link').focus()
  await desk.press('Enter')
  await page.waitForURL(/\/c\//)
  await expect(page.locator('p.labels .list-word')).toHaveText('Supplies')
  await desk.press('F7')
  await slip(desk).getByRole('textbox').fill('supplies')
  await desk.press('Enter')
  await expect(page.locator('p.labels .list-word')).toHaveCount(0)
})

test('with the mouse: several are put into a list, which shows them, wherever they are', async ({
  desk,
  page,
}) => {
  await receive(desk, 'Wicks')
  await receive(desk, 'Burner')
  for (const subject of ['Wicks', 'Burner']) await desk.row(subject).getByRole('checkbox').click()
  await page.getByRole('button', { name: /List$/ }).click()
  await slip(desk).getByRole('button', { name: 'Lantern' }).click()
  await slip(desk).getByRole('button', { name: 'Museum' }).click()
  await expect(slip(desk).getByRole('button', { name: 'Museum' })).toHaveAttribute('aria-pressed', 'true')
  await page.mouse.click(5, 400)
  await expect(slip(desk)).toHaveCount(0)
  await expect(desk.row('Wicks').locator('.list-word')).toHaveText(['Lantern · Wanted', 'Museum'])

  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'By list' }).click()
  const museum = nav(desk).getByRole('listitem').filter({ hasText: 'Museum' })
  await expect(museum).toContainText('2 letters')
  await museum.getByRole('button').first().click()
  await page.getByRole('link', { name: /^Mail( |$)/ }).click()
  await expect(page.getByRole('status').filter({ hasText: '2 conversations' })).toBeVisible()
  await expect(desk.row('Burner')).toBeVisible()
  await desk.expectAccessible('the mail of a list')
  await page
    .getByRole('textbox', { name: 'Words in its letters' })
    .or(page.getByRole('searchbox'))
    .fill('wick')
  await expect(page.getByRole('status').filter({ hasText: '1 conversation' })).toBeVisible()
  await expect(desk.row('Burner')).toHaveCount(0)
  // what is dragged onto another divider goes there
  await desk.row('Wicks').dragTo(nav(desk).locator('[data-list]').filter({ hasText: 'Supplies' }))
  await expect(desk.row('Wicks').locator('.list-word').filter({ hasText: 'Supplies' })).toBeVisible()
})

test('lists lie two levels deep, and go back', async ({ desk, page }) => {
  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'By list' }).click()
  const list = (name: string) => nav(desk).locator('[data-list]').filter({ hasText: name })
  const indent = (name: string) =>
    nav(desk)
      .getByRole('listitem')
      .filter({ hasText: name })
      .evaluate((one) => (one as HTMLElement).style.marginLeft)
  await list('Visitors').focus()
  await desk.press('Control+ArrowRight')
  await expect.poll(() => indent('Visitors')).toBe('18px')
  await list('House').focus()
  await desk.press('Control+ArrowRight')
  await expect.poll(() => indent('House')).toBe('18px')
  await list('House').focus()
  await desk.press('Control+ArrowRight')
  await expect.poll(() => indent('House')).toBe('36px')
  await desk.expectAccessible('lists under lists')
  // what lies under a list folds away, by key and by mouse
  await list('Lantern').focus()
  await desk.press('ArrowLeft')
  await expect(list('Visitors')).toHaveCount(0)
  await nav(desk).getByRole('button', { name: 'Unfold Lantern' }).click()
  await expect(list('Visitors')).toBeVisible()
  for (let steps = 0; steps < 3; steps += 1) await desk.undoByKey()
  await expect.poll(() => indent('Visitors')).toBe('0px')
})

test('a list has a note, which no window overwrites and no key loses', async ({ desk, page }) => {
  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'By list' }).click()
  await nav(desk).locator('[data-list]').filter({ hasText: 'Supplies' }).click()
  const note = page.getByRole('region', { name: 'Note' })
  await note.getByRole('button', { name: 'Write a note' }).click()
  await note.getByRole('textbox').fill('Paraffin **only** from Holm.')
  await desk.press('Escape')
  await expect(note.getByRole('textbox')).toHaveCount(0)
  await note.getByRole('button', { name: 'Write a note' }).click()
  await expect(note.getByRole('textbox')).toHaveValue('Paraffin **only** from Holm.')
  await note.getByRole('textbox').focus()
  await desk.press('Control+Enter')
  await expect(note.locator('strong')).toHaveText('only')
  await desk.expectAccessible('the note of a list')

  await note.getByRole('button', { name: 'Change the note' }).click()
  await note.getByRole('textbox').fill('Mine')
  await page.evaluate(async () => {
    const lists = (await (await fetch('/api/lists')).json()) as { id: string; name: string }[]
    const id = lists.find(({ name }) => name === 'Supplies')?.id ?? ''
    const headers = { 'Content-Type': 'application/json', 'X-Csrf-Token': crypto.randomUUID() }
    const body = { entry: crypto.randomUUID(), note: 'Theirs', was: 'Paraffin **only** from Holm.' }
    await fetch(`/api/lists/${id}/note`, { method: 'PUT', headers, body: JSON.stringify(body) })
  })
  await note.getByRole('button', { name: 'Save the note' }).click()
  await expect(note.getByText('changed in another window meanwhile')).toBeVisible()
  await expect(note.getByText('Theirs')).toBeVisible()
  await expect(note.getByRole('textbox')).toHaveValue('Mine')
  await note.getByRole('button', { name: 'Save the note' }).click()
  await expect(note.getByRole('textbox')).toHaveCount(0)
  await expect(note.getByText('Mine')).toBeVisible()
  await desk.undoByKey()
  await expect(note.getByText('Theirs')).toBeVisible()
})
