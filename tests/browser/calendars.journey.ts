import { expect, test, type Desk } from './desk'

/** Calendars of others among the days, and the agenda for other programs. */

const ADDRESS = 'https://harbour.example/slip-and-crane.ics'
/** What lies on days, by its title. */
const thing = (desk: Desk, title: string) => desk.page.locator('[data-ref]').filter({ hasText: title })
const calendars = (desk: Desk) => desk.page.getByRole('list', { name: 'Calendars of others' })

async function openSettings(desk: Desk): Promise<void> {
  await desk.page.goto('/settings')
  await expect(calendars(desk).getByRole('listitem').first()).toBeVisible()
}

test('with the mouse: a calendar is taken away, written down again, read, named, and counts or not', async ({
  desk,
  page,
}) => {
  await openSettings(desk)
  const harbour = calendars(desk).getByRole('listitem').filter({ hasText: 'harbour.example' })
  await harbour.getByRole('button', { name: 'Take it away' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Take it away' }).click()
  await expect(harbour).toHaveCount(0)

  await page.getByRole('button', { name: 'Show another calendar' }).click()
  await page.getByLabel('Its address').fill(ADDRESS.replace('https', 'http'))
  await page.getByRole('button', { name: 'Show it' }).click()
  await expect(page.getByText('only an address with https is read')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Show another calendar' }).click()
  await expect(page.getByLabel('Its address')).toHaveValue(ADDRESS.replace('https', 'http'))
  await page.getByLabel('Its address').fill(ADDRESS.replace('https', 'webcal'))
  await page.getByLabel('Name for it').fill('The slip')
  await page.getByRole('button', { name: 'Show it' }).click()
  await expect(harbour.getByLabel('Name of The slip')).toBeVisible()
  await expect(harbour).toContainText('3 events', { timeout: 90_000 })
  await harbour.getByRole('checkbox', { name: 'takes my hours' }).click()
  await expect(harbour.getByRole('checkbox')).not.toBeChecked()
  await desk.expectAccessible('the settings of calendars')
  await desk.goTo('Agenda')
  await thing(desk, 'Crane test').click()
  const sheet = page.getByRole('dialog', { name: 'Event' })
  await expect(sheet).toContainText('From the calendar “The slip”')
  await sheet.getByRole('button', { name: 'Close' }).click()
  await expect(sheet).toHaveCount(0)
})

test('with the keyboard: what is in a calendar of others stays as it is, and is taken over as one’s own', async ({
  desk,
  page,
}) => {
  await desk.goTo('Agenda')
  const visit = thing(desk, 'Visit of the inspector')
  await visit.focus()
  const before = await visit.innerText()
  for (const key of ['ArrowRight', 'ArrowDown', 'Shift+ArrowRight', 'Delete', '*', '=']) await desk.press(key)
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(await visit.innerText()).toBe(before)
  await expect(visit).toHaveCount(1)
  await desk.press('Enter')
  const sheet = page.getByRole('dialog', { name: 'Event' })
  await expect(sheet).toContainText('where alone it can be changed')
  await desk.expectAccessible('an event of others')
  await desk.press('Tab')
  await desk.press('Enter')
  await expect(sheet.getByLabel('What takes place')).toHaveValue('Visit of the inspector')
  await sheet.getByLabel('What takes place').fill('Show the inspector round')
  await desk.press('Enter')
  await expect(sheet).toHaveCount(0)
  await expect(thing(desk, 'Show the inspector round')).toContainText('09:30 to 10:30, lantern room')
  await desk.undoByKey()
  await expect(thing(desk, 'Show the inspector round')).toHaveCount(0)

  await openSettings(desk)
  const heritage = calendars(desk).getByRole('listitem').filter({ hasText: 'countyheritage.example' })
  await heritage.getByRole('textbox').focus()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('The county')
  await desk.press('Tab')
  await expect(heritage.getByLabel('Name of The county')).toBeVisible()
  await expect(heritage.getByRole('checkbox')).toBeFocused()
  await desk.press(' ')
  await expect(heritage.getByRole('checkbox')).not.toBeChecked()
  await heritage.getByRole('button', { name: 'Read it now' }).focus()
  await desk.press('Enter')
  await expect(heritage.getByRole('button', { name: 'Read it now' })).toBeEnabled({ timeout: 90_000 })
  await expect(heritage).toContainText('1 event')
})

test('the agenda has an address for other programs, which is changed and closed, by mouse and by key', async ({
  desk,
  page,
}) => {
  await openSettings(desk)
  const address = page.locator('.address code')
  const read = async () => (await page.request.get(await address.innerText())).status()
  await page.getByRole('button', { name: 'Make an address for it' }).click()
  await expect(address).toContainText('/api/calendars/')
  expect(await read()).toBe(200)
  const first = await address.innerText()
  await page.getByRole('button', { name: 'Change it …' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Change it' }).click()
  await expect(address).not.toHaveText(first)
  expect((await page.request.get(first)).status()).toBe(404)
  await page.getByRole('button', { name: 'Change it …' }).focus()
  await desk.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.getByRole('dialog').getByRole('button', { name: 'Have none' }).focus()
  await desk.press('Enter')
  await expect(address).toHaveCount(0)
  await page.getByRole('button', { name: 'Make an address for it' }).focus()
  await desk.press('Enter')
  expect(await read()).toBe(200)
})

test('the share that the last weeks brought is kept free with a click', async ({ desk, page }) => {
  await desk.intercept('**/api/share-kept-free', (route) =>
    route.fulfill({ json: { share: 20, clearing: 55, unplanned: 30 } }),
  )
  await openSettings(desk)
  await expect(page.getByText('That is 20 %')).toBeVisible()
  await page.getByRole('button', { name: 'Keep so much free' }).click()
  await expect(page.getByLabel('Kept free for what comes in')).toHaveValue('20')
  await expect(page.getByRole('button', { name: 'Keep so much free' })).toHaveCount(0)
})
