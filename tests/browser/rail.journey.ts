import { expect, test } from './desk'

test('a day unfolds to what it holds: check off, open, bring back', async ({ desk, page }) => {
  await desk.jot('Wind the wall clock; today; 10 min')
  await expect(desk.day(0)).toContainText('tasks')
  await desk.day(0).click()
  const panel = page.locator('.panel')
  await expect(panel).toContainText('Wind the wall clock')
  await desk.expectAccessible('a day of the rail')
  await panel.getByRole('checkbox', { name: 'Complete: Wind the wall clock' }).click()
  await expect(panel).not.toContainText('Wind the wall clock')
  await desk.press('Escape')
  await expect(panel).toHaveCount(0)
  await desk.undoByKey()
})

test('a conversation is sent to a day by key, with the consequence shown before', async ({ desk, page }) => {
  const tasks = await desk.count('Tasks')
  await desk.row('Bell rope').getByRole('link').focus()
  await desk.press('=')
  const said = page.getByRole('region', { name: 'The coming days' }).getByRole('status')
  await expect(said).toContainText('“Bell rope” becomes a task due')
  await desk.press('ArrowRight', 'ArrowDown')
  await expect(said).toContainText('“Bell rope” goes away and comes back')
  await desk.press('Enter')
  await expect(desk.row('Bell rope')).toHaveCount(0)
  await desk.press('Control+z')
  await expect(desk.row('Bell rope')).toBeVisible()

  await desk.row('Bell rope').getByRole('link').focus()
  await desk.press('=', 'ArrowRight', 'Enter')
  await desk.expectCount('Tasks', tasks + 1)
  await desk.press('Control+z')
  await desk.expectCount('Tasks', tasks)
  await desk.press('=', 'Escape')
  await expect(said).toHaveCount(0)
})

test('what is dragged to a day is due then, or comes back then', async ({ desk, page }) => {
  const rail = page.getByRole('region', { name: 'The coming days' })
  async function drag(from: ReturnType<typeof desk.row>, name: RegExp): Promise<void> {
    await from.hover()
    await page.mouse.down()
    await page.mouse.move(640, 600, { steps: 4 })
    const target = rail.getByRole('button', { name }).nth(3)
    await target.hover()
    await target.hover()
    await expect(rail.getByRole('status')).not.toHaveText('Put it down on a day.')
    await page.mouse.up()
  }
  await drag(desk.row('Helping at the light'), /^Comes back /)
  await expect(desk.row('Helping at the light')).toHaveCount(0)
  await desk.press('Control+z')
  await expect(desk.row('Helping at the light')).toBeVisible()

  await desk.jot('Mend the net; by tomorrow')
  await desk.goTo('Tasks')
  const before = await desk.row('Mend the net').locator('.tab').innerText()
  await drag(desk.row('Mend the net'), /^Due /)
  await expect(desk.row('Mend the net').locator('.tab')).not.toHaveText(before)
  await drag(desk.row('Mend the net'), /^Put off until /)
  await expect(desk.row('Mend the net')).toHaveCount(0)
  await page.getByRole('button', { name: /not to begin yet/ }).click()
  await expect(desk.row('Mend the net')).toContainText('starts')
})

test('two windows change the same task: the later one compares, and nothing is overwritten', async ({
  desk,
  page,
  context,
}) => {
  await desk.jot('Splice the rope; note the old one')
  await desk.goTo('Tasks')
  await desk.row('Splice the rope').getByRole('link').click()
  await expect(page.getByText('the old one')).toBeVisible()
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.getByText('the old one')).toBeVisible()
  await page.getByRole('button', { name: 'Edit' }).click()
  await other.getByRole('button', { name: 'Edit' }).click()
  await other.getByRole('textbox', { name: 'Notes' }).fill('the new one')
  await other.getByRole('button', { name: 'Save' }).click()
  await expect(other.locator('.markdown')).toHaveText('the new one')

  await page.getByLabel('What is to be done?').fill('Splice both ropes')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: 'This task was changed elsewhere' })).toBeVisible()
  const notes = page.getByRole('group', { name: 'Notes' })
  await expect(notes).toContainText('the old one')
  await notes.getByText('the new one').click()
  await page.getByRole('button', { name: 'Go on with this' }).click()
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Splice both ropes')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: 'Splice both ropes' })).toBeVisible()
  await expect(page.locator('.markdown')).toHaveText('the new one')
})

test('sources and files: a web address, another task, a file by picker, a picture by paste', async ({
  desk,
  page,
}) => {
  await desk.jot('Frame the chart')
  await desk.jot('Scan the chart')
  await desk.goTo('Tasks')
  await desk.row('Frame the chart').getByRole('link').click()
  await page.getByRole('button', { name: 'Edit' }).click()
  const source = page.getByRole('textbox', { name: 'Add a source' })
  await source.fill('https://charts.example/holm')
  await desk.press('Enter')
  await source.fill('Scan the')
  await page
    .locator('.found')
    .getByRole('button', { name: /Scan the chart/ })
    .click()
  await page
    .getByLabel('Files to attach')
    .setInputFiles([{ name: 'sizes.txt', mimeType: 'text/plain', buffer: Buffer.from('60 x 80') }])
  await expect(page.getByRole('link', { name: 'sizes.txt' })).toBeVisible()
  await page.getByLabel('Paste a picture here').evaluate(async (field) => {
    const canvas = document.createElement('canvas')
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done))
    const data = new DataTransfer()
    data.items.add(new File([blob ?? ''], 'picture.png', { type: 'image/png' }))
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(page.getByRole('link', { name: 'picture.png' })).toBeVisible()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('link', { name: 'https://charts.example/holm' })).toBeVisible()
  await expect(page.getByRole('img', { name: 'picture.png' })).toBeVisible()
  await page.getByRole('link', { name: 'Scan the chart' }).last().click()
  await expect(page.getByText('a source of')).toBeVisible()
})
