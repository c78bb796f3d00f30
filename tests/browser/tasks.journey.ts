import { expect, test } from './desk'

test('what is pressed does not move away when an answer comes', async ({ desk, page }) => {
  await desk.open('Proof of the winter leaflet')
  await desk.press('2')
  let answer: () => void = () => undefined
  const answered = new Promise<void>((done) => (answer = done))
  for (const asked of ['**/api/first-reminder?*', '**/api/when?*'])
    await page.route(asked, async (route) => {
      await answered
      await route.continue()
    })
  const due = page.getByRole('textbox', { name: 'Due' })
  const asked = Promise.all(
    ['/api/first-reminder', '/api/when'].map((path) =>
      page.waitForRequest((request) => new URL(request.url()).pathname === path),
    ),
  )
  await due.fill('14 march 2031')
  await page.getByRole('combobox', { name: 'List' }).fill('Press')
  await asked
  const more = page.getByRole('button', { name: 'More', exact: true })
  await more.hover()
  await page.mouse.down()
  const came = Promise.all(
    ['/api/first-reminder', '/api/when'].map((path) =>
      page.waitForResponse((response) => new URL(response.url()).pathname === path),
    ),
  )
  answer()
  for (const response of await came) await response.finished()
  await page.evaluate(
    () => new Promise((painted) => requestAnimationFrame(() => requestAnimationFrame(painted))),
  )
  await page.mouse.up()
  await expect(page.getByRole('textbox', { name: 'Notes' })).toBeVisible()
  await expect(page.getByText('Fri 14 Mar 2031')).toBeVisible()
  await expect(page.getByText('Tue 11 Mar 2031 at 09:00')).toBeVisible()
})

test('a task is made, leads back to its message, and outlives the mail', async ({ desk, page }) => {
  await desk.open('Proof of the winter leaflet')
  await desk.press('2')
  const title = page.getByLabel('What is to be done?')
  await expect(title).toHaveValue(/^Look at the opening times on page 3/)
  await expect(title).toBeFocused()
  await page.keyboard.type('Send the corrections of the leaflet')
  await page.getByRole('textbox', { name: 'Due' }).fill('14 march 2031')
  await page.getByRole('combobox', { name: 'List' }).fill('Press')
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('textbox', { name: 'Notes' }).fill('Page 3: the **opening** times.')
  await page.getByRole('button', { name: 'Make the task' }).click()
  await expect(desk.row('Proof of the winter leaflet')).toHaveCount(0)

  await desk.goTo('Tasks')
  await desk.row('Send the corrections of the leaflet').getByRole('link').click()
  await expect(page.locator('.markdown strong')).toHaveText('opening')
  await desk.press('Control+Enter')
  await expect(page.getByRole('heading', { name: 'Proof of the winter leaflet' })).toBeVisible()
  await expect(page.getByText('Its conversation is in the archive')).toBeVisible()
  await expect(page.getByRole('link', { name: 'winter-leaflet-proof.pdf' })).toBeVisible()
  await expect(page.getByText('to decide')).toHaveCount(0)

  await page.getByRole('link', { name: 'Open the conversation' }).click()
  await expect(page.getByRole('link', { name: 'Send the corrections of the leaflet' })).toBeVisible()
  await desk.press('6')
  await desk.goTo('Find')
  await page.getByRole('button', { name: 'Bin', exact: true }).click()
  await page.getByRole('button', { name: 'Empty the bin' }).click()
  await page.getByRole('button', { name: 'Remove for good' }).click()
  await expect(page.getByText('Nothing here')).toBeVisible()

  await desk.goTo('Tasks')
  await desk.row('Send the corrections of the leaflet').getByRole('link').click()
  await page.waitForURL(/\/tasks\/./)
  await desk.press('Control+Enter')
  await expect(page.getByText('This is the copy that the task keeps')).toBeVisible()
  await expect(page.getByText('We need your corrections before')).toBeVisible()
  await expect(page.getByText('winter-leaflet-proof.pdf')).toBeVisible()
})

test('complete, find under Done, open again, and undo', async ({ desk, page }) => {
  await desk.goTo('Tasks')
  const before = await desk.count('Tasks')
  await page.getByRole('checkbox', { name: 'Complete: Count the slates' }).click()
  await desk.expectCount('Tasks', before - 1)
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await page.getByRole('checkbox', { name: 'Open again: Count the slates' }).click()
  await desk.expectCount('Tasks', before)
  await page.getByRole('button', { name: 'By list' }).click()
  await page.getByRole('navigation', { name: 'Lists' }).getByRole('button', { name: /^Roof/ }).click()

  await desk.leaf('Count the slates').getByRole('link').click()
  await expect(page.getByRole('button', { name: 'Complete', exact: true })).toBeVisible()
  await desk.press('Space')
  await desk.expectCount('Tasks', before - 1)
  await desk.press('Control+z')
  await desk.expectCount('Tasks', before)
})

test('write down, edit and delete with the keyboard; a missing title is said at the field', async ({
  desk,
  page,
}) => {
  await desk.goTo('Tasks')
  await expect(page.getByRole('heading', { name: 'Tasks', level: 1 })).toBeVisible()
  await desk.press('Insert')
  await expect(page.getByLabel('What is to be done?')).toBeFocused()
  await desk.press('Enter')
  await expect(page.getByText('A task needs a title')).toBeVisible()
  await page.keyboard.type('Oil the hinges')
  await desk.press('Enter')
  await expect(desk.row('Oil the hinges')).toBeVisible()

  await desk.row('Oil the hinges').getByRole('link').click()
  await expect(page.getByRole('button', { name: 'Edit' })).toBeVisible()
  await desk.press('F2')
  await expect(page.getByLabel('What is to be done?')).toBeFocused()
  await page.keyboard.type('Oil all the hinges')
  await desk.press('Enter')
  await expect(desk.row('Oil all the hinges')).toBeVisible()
  await desk.row('Oil all the hinges').getByRole('link').click()
  await desk.press('Delete')
  await expect(desk.row('Oil all the hinges')).toHaveCount(0)
  await desk.press('Control+z')
  await expect(desk.row('Oil all the hinges')).toBeVisible()
})

test('several conversations become tasks in one step', async ({ desk, page }) => {
  const tasks = await desk.count('Tasks')
  await page.getByLabel('Select Lease of the slip').click()
  await page.getByLabel('Select Invitation: Roof meeting').click()
  await page.getByRole('button', { name: '2 Make a task' }).click()
  await page.getByRole('button', { name: 'Make 2 tasks' }).click()
  await desk.expectCount('Tasks', tasks + 2)
  await desk.press('Control+z')
  await desk.expectCount('Tasks', tasks)
  await expect(desk.row('Lease of the slip')).toBeVisible()
})

test('what was typed survives a call that fails', async ({ desk, page }) => {
  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'Write a task down' }).click()
  await page.getByLabel('What is to be done?').fill('Measure the rail')
  await desk.intercept('**/api/tasks', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('alert')).toContainText('The server does not answer')
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Measure the rail')

  await page.unroute('**/api/tasks')
  await page.context().clearCookies()
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('You were signed out')).toBeVisible()
  await page.getByLabel('Password').fill('tern-point-light')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Measure the rail')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(desk.row('Measure the rail')).toBeVisible()
})
