import { expect, test, type Desk } from './desk'

/** A day of the agenda, from 0. */
const row = (desk: Desk, index: number) => desk.page.locator('li.day').nth(index)
/** What lies on days, by its title. */
const thing = (desk: Desk, title: string) => desk.page.locator('[data-ref]').filter({ hasText: title })

/** Next week, in which nothing is over whenever this runs. */
async function openNextWeek(desk: Desk): Promise<void> {
  await desk.goTo('Agenda')
  await expect(row(desk, 0)).toBeVisible()
  await desk.press('7')
  await desk.press('PageDown')
  await expect(desk.page.getByRole('heading', { name: 'Today' })).toHaveCount(0)
}
async function unfold(desk: Desk): Promise<void> {
  const folds = desk.page.locator('.fold button')
  for (let left = await folds.count(); left > 0; left -= 1) {
    await folds.first().click()
    await expect(folds).toHaveCount(left - 1)
  }
  await expect(row(desk, 6)).toBeVisible()
}

test('with the keyboard: an event is written on an hour, moved, made longer, put off, undone and taken out', async ({
  desk,
  page,
}) => {
  await openNextWeek(desk)
  await unfold(desk)
  const hour = row(desk, 2).getByRole('button', { name: /write an event/ })
  await hour.focus()
  await desk.press('ArrowRight')
  await desk.press('ArrowRight')
  await expect(hour).toHaveText('11:00 +')
  await page.keyboard.type('Count the buoys; at the slip')
  await expect(page.getByPlaceholder('An event, or a task to do then')).toHaveValue(
    'Count the buoys; at the slip',
  )
  await desk.press('Escape')
  await expect(page.getByPlaceholder('An event, or a task to do then')).toHaveCount(0)
  await hour.focus()
  await desk.press('Enter')
  await expect(page.getByPlaceholder('An event, or a task to do then')).toHaveValue(
    'Count the buoys; at the slip',
  )
  await desk.press('Enter')
  await expect(thing(desk, 'Count the buoys')).toContainText('11:00 to 12:00, the slip')

  await thing(desk, 'Count the buoys').focus()
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown', 'Shift+ArrowRight']) await desk.press(key)
  await expect(row(desk, 3)).toContainText('11:30 to 12:45')
  await expect(thing(desk, 'Count the buoys')).toBeFocused()
  await expect(page.getByText('Event changed').first()).toBeVisible()
  // Where a key takes longer than a hand rests, they are more than one step.
  const back = row(desk, 2).getByText('11:00 to 12:00')
  for (let steps = 0; steps < 4 && !(await back.isVisible()); steps += 1) {
    const asked = page.waitForResponse((response) => response.url().includes('/api/agenda'))
    await desk.undoByKey()
    await asked
    await back.waitFor({ timeout: 2000 }).catch(() => undefined)
  }
  await expect(row(desk, 2)).toContainText('11:00 to 12:00')

  await thing(desk, 'Count the buoys').focus()
  await desk.press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Event' })
  await dialog.getByLabel('When', { exact: true }).fill('every day 9:00 for 30 min')
  await expect(dialog).toContainText('every day')
  await desk.press('Control+Enter')
  await expect(dialog).toHaveCount(0)
  await page.keyboard.press('Home')
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
  await desk.press('PageDown')
  await unfold(desk)
  await expect(thing(desk, 'Count the buoys').first()).toContainText('09:00 to 09:30')
  const count = await thing(desk, 'Count the buoys').count()
  expect(count).toBeGreaterThan(1)
  await thing(desk, 'Count the buoys').first().focus()
  await desk.press('Delete')
  await page.getByRole('button', { name: 'Only this one' }).click()
  await expect(thing(desk, 'Count the buoys')).toHaveCount(count - 1)
  await thing(desk, 'Count the buoys').first().focus()
  await desk.press('Delete')
  await page.getByRole('button', { name: 'All of them' }).click()
  await expect(thing(desk, 'Count the buoys')).toHaveCount(0)
  await desk.expectAccessible('the agenda')
})

test('with the keyboard: all of a series are moved along with the one that has the focus', async ({
  desk,
  page,
}) => {
  await openNextWeek(desk)
  await unfold(desk)
  await desk.jot('event Turn the lamp; every day from in 8 days 8:30-8:45')
  const turns = thing(desk, 'Turn the lamp')
  await expect(turns.nth(2)).toBeVisible()
  const count = await turns.count()
  await turns.nth(1).focus()
  await desk.press('=')
  const when = page.getByRole('dialog', { name: 'When?' })
  const field = when.getByLabel('When', { exact: true })
  await field.fill('in 9 days at 9:1')
  await desk.press('Escape')
  await expect(when).toHaveCount(0)
  await turns.nth(1).focus()
  await desk.press('=')
  await expect(field).toHaveValue('in 9 days at 9:1')
  await field.fill('in 9 days 9:10-9:30')
  await desk.press('Enter')
  await page.getByRole('button', { name: 'All of them' }).click()
  await expect(when).toHaveCount(0)
  await expect(turns.filter({ hasText: '09:10 to 09:30' })).toHaveCount(count)
  await desk.undoByKey()
  await expect(turns.filter({ hasText: '08:30 to 08:45' })).toHaveCount(count)
  await desk.undoByKey()
  await expect(turns).toHaveCount(0)
})

test('with the keyboard: a task is laid on an hour, a second time, moved by a phrase, completed and taken out', async ({
  desk,
  page,
}) => {
  await desk.jot('Wax the stairs; in 8 days; 40 min')
  await openNextWeek(desk)
  await unfold(desk)
  const due = page.locator('[data-task]').filter({ hasText: 'Wax the stairs' })
  await due.focus()
  await desk.press('=')
  await page.getByLabel('When', { exact: true }).fill('in 8 days at 14:00')
  await desk.press('Enter')
  await expect(thing(desk, 'Wax the stairs')).toContainText('14:00 to 14:40')
  await thing(desk, 'Wax the stairs').focus()
  await desk.press('*')
  await expect(thing(desk, 'Wax the stairs')).toHaveCount(2)
  await thing(desk, 'Wax the stairs').nth(1).focus()
  await desk.press('Delete')
  await expect(thing(desk, 'Wax the stairs')).toHaveCount(1)
  await thing(desk, 'Wax the stairs').focus()
  await desk.press(' ')
  await expect(page.locator('.thing.done').filter({ hasText: 'Wax the stairs' })).toBeVisible()
  await thing(desk, 'Wax the stairs').focus()
  await desk.press('Enter')
  await page.waitForURL(/\/tasks\//)
})

test('with the mouse: hours are drawn, things dragged, edges pulled, and a day opened', async ({
  desk,
  page,
}) => {
  await openNextWeek(desk)
  await unfold(desk)
  const hours = row(desk, 4).locator('.hours')
  const box = await hours.boundingBox()
  if (!box) throw new Error('The day has no hours.')
  const at = (hour: number) => box.x + (box.width * (hour - 7)) / 12
  await page.mouse.move(at(13), box.y + 30)
  await page.mouse.down()
  await page.mouse.move(at(14.5), box.y + 30, { steps: 6 })
  await page.mouse.up()
  await page.getByPlaceholder('An event, or a task to do then').fill('Sound the fog horn')
  await page.getByRole('button', { name: 'Make an event' }).click()
  const horn = thing(desk, 'Sound the fog horn')
  await expect(horn).toContainText('13:00 to 14:30')

  await horn.dragTo(row(desk, 3).locator('.hours'), {
    sourcePosition: { x: 6, y: 20 },
    targetPosition: { x: at(10) - box.x + 6, y: 20 },
  })
  await expect(row(desk, 3)).toContainText('10:00 to 11:30')
  const edge = horn.locator('xpath=..').locator('.edge.end')
  const place = await edge.boundingBox()
  if (!place) throw new Error('It has no edge.')
  await page.mouse.move(place.x + 4, place.y + 20)
  await page.mouse.down()
  await page.mouse.move(at(12.5), place.y + 20, { steps: 6 })
  await page.mouse.up()
  await expect(horn).toContainText('10:00 to 12:30')
  await horn.dragTo(row(desk, 2).locator('.pocket'), { sourcePosition: { x: 6, y: 20 } })
  await expect(row(desk, 2).locator('.pocket')).toContainText('Sound the fog horn, all day')

  await horn.click()
  const dialog = page.getByRole('dialog', { name: 'Event' })
  await dialog.getByLabel('What takes place').fill('Sound both horns')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(thing(desk, 'Sound both horns')).toBeVisible()
  await row(desk, 2).getByRole('heading').getByRole('button').click()
  await expect(page.getByRole('region', { name: 'The day in order' })).toContainText('Sound both horns')
  await thing(desk, 'Sound both horns').click()
  await dialog.getByRole('button', { name: 'Take it out' }).click()
  await expect(thing(desk, 'Sound both horns')).toHaveCount(0)
  await page.getByRole('button', { name: 'Week' }).click()
})

test('what is typed into an event stays until it is accepted, and what is refused is said at its field', async ({
  desk,
  page,
}) => {
  await desk.goTo('Agenda')
  await expect(row(desk, 0)).toBeVisible()
  await desk.press('0')
  const dialog = page.getByRole('dialog', { name: 'Event' })
  await dialog.getByLabel('What takes place').fill('Painters')
  await dialog.getByLabel('When', { exact: true }).fill('blursday')
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await expect(dialog).toContainText('I cannot read "blursday"')
  await desk.press('Escape')
  await expect(dialog).toHaveCount(0)
  await page.reload()
  await expect(row(desk, 0)).toBeVisible()
  await desk.press('0')
  await expect(dialog.getByLabel('What takes place')).toHaveValue('Painters')
  await desk.expectAccessible('an event')
  await dialog.getByLabel('When', { exact: true }).fill('in 9 days for 2 days')
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await expect(dialog).toHaveCount(0)
  await desk.press('PageDown')
  await expect(thing(desk, 'Painters').first()).toContainText('Painters, 2 days')
})

test('on a phone a day is a list by hour', async ({ desk, page }) => {
  await desk.jot('event Look at the cistern; in 2 days 11:00-11:30')
  await page.setViewportSize({ width: 390, height: 844 })
  await desk.goTo('Agenda')
  await expect(thing(desk, 'Look at the cistern')).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await thing(desk, 'Look at the cistern').click()
  await expect(page.getByRole('dialog', { name: 'Event' }).getByLabel('What takes place')).toHaveValue(
    'Look at the cistern',
  )
})

test('what does not fit is named, and a way out is taken', async ({ desk, page }) => {
  await desk.jot('Write the whole history; in 4 days; 90 hours')
  await desk.goTo('Agenda')
  const short = page
    .getByRole('listitem')
    .filter({ hasText: 'Write the whole history' })
    .filter({ hasText: 'short' })
  await short.getByRole('button', { name: 'Ways out' }).click()
  const ways = page.getByRole('list', { name: 'Ways out for Write the whole history' })
  await expect(ways).toContainText(/then .*fit|short/)
  await ways.getByRole('button', { name: /^Due/ }).click()
  await expect(short).toHaveCount(0)
  await desk.undoByKey()
  await expect(short).toBeVisible()
  await short.getByRole('button', { name: 'Ways out' }).click()
  await ways.getByRole('button', { name: /^Take/ }).click()
  await expect(short).toHaveCount(0)
  await desk.undoByKey()
  await expect(short).toBeVisible()
})
