import { readFile } from 'node:fs/promises'
import { expect, test, type Desk } from './desk'
import { receive } from './post'

/** A list as the home of its subject: its stages, what is looked up in it, its history. */

const nav = (desk: Desk) => desk.page.getByRole('navigation', { name: 'Lists' })
const stage = (desk: Desk, name: string) => desk.page.getByRole('region', { name, exact: true })
const card = (desk: Desk, at: string, text: string) =>
  stage(desk, at).getByRole('listitem').filter({ hasText: text })
const moves = (desk: Desk) =>
  desk.page.waitForResponse((response) =>
    /\/lists\/(along|[^/]+\/cards)$/.test(new URL(response.url()).pathname),
  )

async function openList(desk: Desk, name: string, view: string): Promise<void> {
  await desk.goTo('Tasks')
  await desk.page.getByRole('button', { name: 'By list' }).click()
  await nav(desk).locator('[data-list]').filter({ hasText: name }).click()
  await desk.page
    .getByRole('navigation', { name: `Pages of ${name}` })
    .getByRole('link', { name: view })
    .click()
  await desk.page.waitForURL(/\/lists\//)
}

test('with the keyboard: stages are named, and cards go along, back and past each other', async ({
  desk,
  page,
}) => {
  await openList(desk, 'Museum', 'Stages')
  await expect(page.getByRole('heading', { name: 'Museum has no stages yet' })).toBeVisible()
  await desk.press('F2')
  const dialog = page.getByRole('dialog', { name: 'The stages of Museum' })
  for (const [at, name] of ['Found', 'Cleaned', 'Shown'].entries())
    await dialog.getByRole('textbox', { name: `Name of stage ${at + 1}` }).fill(name)
  await desk.press('Escape')
  await expect(dialog).toHaveCount(0)
  await desk.press('F2')
  await expect(dialog.getByRole('textbox', { name: 'Name of stage 2' })).toHaveValue('Cleaned')
  await dialog.getByRole('textbox', { name: 'Days at most at stage 2' }).fill('900')
  await dialog.getByRole('textbox', { name: 'Name of stage 1' }).focus()
  await desk.press('Enter')
  await expect(dialog.getByRole('alert')).toContainText('366 days')
  await dialog.getByRole('textbox', { name: 'Days at most at stage 2' }).fill('9')
  await desk.press('Enter')
  await expect(dialog).toHaveCount(0)
  await expect(stage(desk, 'Cleaned')).toContainText('9 days at most')

  await card(desk, 'Off the line', 'Write to Maud').getByRole('link').focus()
  let moved = moves(desk)
  await desk.press('Shift+ArrowRight')
  await moved
  await expect(card(desk, 'Found', 'Write to Maud').getByRole('link')).toBeFocused()
  moved = moves(desk)
  await desk.press('Shift+ArrowRight')
  await moved
  await expect(card(desk, 'Cleaned', 'Write to Maud').getByRole('link')).toBeFocused()
  await desk.expectAccessible('the stages of a list')
  moved = moves(desk)
  await desk.press('Shift+ArrowLeft')
  await moved
  await expect(card(desk, 'Found', 'Write to Maud')).toBeVisible()
  await desk.undoByKey()
  await expect(card(desk, 'Cleaned', 'Write to Maud')).toBeVisible()

  await openList(desk, 'Visitors', 'Stages')
  const asked = () => stage(desk, 'Asked').getByRole('listitem')
  await expect(asked().nth(1)).toContainText('Contact form')
  await asked().first().getByRole('link').focus()
  moved = moves(desk)
  await desk.press('Control+ArrowDown')
  await moved
  await expect(asked().first()).toContainText('Contact form')
  await desk.press('ArrowRight')
  await expect(stage(desk, 'Date offered').getByRole('link').nth(1)).toBeFocused()
})

test('with the mouse: a card is dragged to a stage, several go along, a stage folds', async ({
  desk,
  page,
}) => {
  await openList(desk, 'Roof', 'Stages')
  await card(desk, 'Offers in', 'Crane').dragTo(stage(desk, 'On the roof'))
  await expect(card(desk, 'On the roof', 'Crane')).toBeVisible()
  await expect(card(desk, 'Offers in', 'Crane')).toHaveCount(0)
  for (const one of ['Stone delivery done', 'Gutter bracket'])
    await card(desk, 'On the roof', one)
      .getByRole('button', { name: /^Select/ })
      .click()
  await expect(page.getByText('2 selected')).toBeVisible()
  const moved = moves(desk)
  await page.getByRole('button', { name: 'Back', exact: false }).filter({ hasText: 'Back' }).first().click()
  await moved
  await expect(card(desk, 'Ordered', 'Gutter bracket')).toBeVisible()
  await stage(desk, 'Ordered')
    .getByRole('button', { name: /^Ordered/ })
    .click()
  await expect(stage(desk, 'Ordered').getByRole('listitem')).toHaveCount(0)
  await page.reload()
  await expect(stage(desk, 'Ordered').getByRole('button', { name: /^Ordered/ })).toHaveAttribute(
    'aria-expanded',
    'false',
  )
})

test('what is decided about a letter moves it along, and one undo takes both back', async ({
  desk,
  page,
}) => {
  await receive(desk, 'Can class 5 come?')
  await desk.press('Home')
  const row = desk.row('Can class 5 come?')
  await row.getByRole('link').focus()
  await desk.press('F7')
  await page.getByRole('dialog', { name: 'Labels and lists' }).getByRole('textbox').fill('lantern')
  await desk.press('Enter')
  await expect(row.locator('.list-word')).toHaveText('Lantern · Wanted')
  await row.getByRole('link').focus()
  const moved = moves(desk)
  await desk.press('Shift+ArrowRight')
  await moved
  await expect(row.locator('.list-word')).toHaveText('Lantern · Price known')
  await row.getByRole('link').focus()
  await desk.press('4')
  await page.keyboard.type('Petra')
  await desk.press('Control+Enter')
  await expect(row).toHaveCount(0)
  await openList(desk, 'Lantern', 'Stages')
  await expect(stage(desk, 'Ordered').getByText('Can class 5 come?')).toBeVisible()
  await desk.undoByKey()
  await expect(stage(desk, 'Price known').getByText('Can class 5 come?')).toBeVisible()
})

test('on a phone one stage is seen at a time', async ({ desk, page }) => {
  await openList(desk, 'Visitors', 'Stages')
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByRole('region', { name: 'Asked', exact: true })).toHaveCount(0)
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('button', { name: /^Asked/ })
    .click()
  await expect(stage(desk, 'Asked').getByRole('listitem').first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Agreed', exact: true })).toHaveCount(0)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await desk.expectAccessible('the stages on a phone')
})

test('things to look up: an address, a text, a file, a letter; changed, moved and taken out', async ({
  desk,
  page,
}) => {
  await openList(desk, 'Supplies', 'To look up')
  const region = page.getByRole('region', { name: 'To look up' })
  const field = region.getByRole('textbox', { name: /^To look up/ })
  await field.fill('https://paraffin.example/prices')
  await region.getByRole('button', { name: 'Keep the page' }).click()
  await expect(region.getByRole('link', { name: 'paraffin.example/prices' })).toHaveAttribute(
    'href',
    'https://paraffin.example/prices',
  )
  await field.fill('Half kept')
  await desk.press('Escape')
  await page.reload()
  await expect(field).toHaveValue('Half kept')
  await field.fill('Wicks are **4 cm** wide')
  await field.press('Control+Enter')
  await expect(region.locator('strong')).toHaveText('4 cm')
  await region
    .getByLabel('Files to look up')
    .setInputFiles({ name: 'order.txt', mimeType: 'text/plain', buffer: Buffer.from('Two boxes') })
  await expect(region.getByRole('link', { name: 'order.txt' })).toBeVisible()
  await desk.expectAccessible('things to look up')

  const things = () => region.locator('[data-reference]')
  await expect(things()).toHaveCount(3)
  await things().nth(2).focus()
  await desk.press('Control+ArrowUp')
  await expect(things().nth(1)).toHaveText('order.txt')
  await desk.press('F2')
  await region.getByRole('textbox', { name: 'Title' }).fill('What we ordered')
  await desk.press('Enter')
  await expect(things().nth(1)).toHaveText('What we ordered')
  await region.getByRole('button', { name: 'Take out What we ordered' }).click()
  await expect(things()).toHaveCount(2)
  await desk.undoByKey()
  await expect(things()).toHaveCount(3)
  for (const name of ['paraffin.example/prices', 'What we ordered'])
    await region.getByRole('button', { name: `Select ${name}` }).click()
  await region.getByRole('button', { name: 'Take them out' }).click()
  await expect(things()).toHaveCount(1)
  await desk.undoByKey()
  await expect(things()).toHaveCount(3)

  await desk.goTo('Tray')
  await desk.row('Polish').or(desk.row('Bell rope')).first().getByRole('link').click()
  await page.getByRole('button', { name: 'To look up', exact: true }).first().click()
  await page.getByRole('dialog', { name: 'Labels and lists' }).getByRole('textbox').fill('supp')
  await desk.press('Enter')
  await openList(desk, 'Supplies', 'To look up')
  await expect(things()).toHaveCount(4)
  await things().nth(3).click()
  await page.waitForURL(/\/source\//)
})

test('the history of a list, its people, and all of it as one text', async ({ desk, page }) => {
  await openList(desk, 'Roof', 'History')
  const history = page.getByRole('region', { name: 'History' })
  await expect(history.getByText('Stage: Stone delivery done').first()).toBeVisible()
  await desk.expectAccessible('the history of a list')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    history.getByRole('link', { name: /as one text/ }).click(),
  ])
  const text = await readFile(await download.path(), 'utf8')
  expect(text).toContain('# Roof')
  expect(text).toContain('### Stone delivery done')
  await page.getByRole('link', { name: 'People' }).last().click()
  await expect(page.getByRole('region', { name: 'People' }).getByRole('listitem').first()).toBeVisible()
  await desk.expectAccessible('the people of a list')
})
