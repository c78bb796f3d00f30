import { expect, test } from './desk'

test('one line, from everywhere: each clause is shown as it is read, and nothing is lost', async ({
  desk,
  page,
}) => {
  await desk.goTo('Journal')
  await desk.press(';')
  await expect(page.getByRole('textbox', { name: 'Jot' })).toBeFocused()
  await page.keyboard.type(
    'Order lamp oil; by friday 3pm; remind 2h before; list Supplies; label harbour; high',
  )
  const read = page.getByRole('list', { name: 'How the line is read' })
  await expect(read.getByRole('listitem')).toHaveCount(6)
  await page.keyboard.type('; 20 min; blursday; every month on the 1st')
  await expect(read.getByRole('listitem')).toHaveCount(9)
  await expect(read.getByText(/^Fri \d+ \w+ \d{4}, 15:00/)).toBeVisible()
  await expect(read.getByText('20 minutes')).toBeVisible()
  await expect(read.locator('.unread')).toContainText('I cannot read "blursday".')
  await desk.expectAccessible('Jot')

  await desk.press('Escape')
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Journal' })).toBeVisible()
  await desk.press(';')
  await expect(page.getByRole('textbox', { name: 'Jot' })).toHaveValue(/^Order lamp oil; by friday/)
  await expect(read.getByRole('listitem')).toHaveCount(9)
  await desk.press('Enter')
  await expect(page.getByText('Task written down: Order lamp oil')).toBeVisible()

  await desk.goTo('Tasks')
  await desk.row('Order lamp oil').getByRole('link').click()
  await expect(page.locator('.markdown')).toHaveText('blursday')
  await expect(page.getByText('every month on the 1st at 15:00, from')).toBeVisible()
})

test('by mouse, and a line without a title is not written down', async ({ desk, page }) => {
  await page.getByRole('button', { name: '; Jot' }).click()
  await page.getByRole('textbox', { name: 'Jot' }).fill('; friday')
  await expect(page.getByText('A task needs a title: what is to be done?')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Write it down' })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Jot' }).fill('Call the harbour master')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await desk.goTo('Tasks')
  await expect(desk.row('Call the harbour master')).toBeVisible()
})

test('a message has a lasting address, which opens it alone from anywhere', async ({
  desk,
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await desk.open('Key to the oil store')
  await page.getByRole('button', { name: 'Copy address' }).click()
  await page.getByText('For other mail programs').click()
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible()
  const mid = await page.evaluate(() => navigator.clipboard.readText())
  expect(mid).toMatch(/^mid:\S+@\S+$/)
  await expect(page.getByText('For other mail programs')).toBeHidden()
  await page.getByRole('button', { name: /^Cop/ }).click()
  await page.getByText('For a browser').click()
  await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).not.toBe(mid)
  const address = await page.evaluate(() => navigator.clipboard.readText())

  await desk.goTo('Journal')
  await desk.press(';')
  await page.getByRole('textbox', { name: 'Jot' }).fill(mid)
  await desk.press('Enter')
  await expect(page.getByRole('heading', { name: 'Key to the oil store' })).toBeVisible()
  await expect(page.getByText('Its conversation is in the tray')).toBeVisible()
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'Key to the oil store' })).toBeVisible()
  await page.goto('/m/nobody%40nowhere.example')
  await expect(page.getByText('No message of that address is here')).toBeVisible()

  // Pasted into the sources of a task it is copied there; in its notes it is a link, and the message then names its task.
  await desk.jot(`Fetch the key; note [the message](${mid})`)
  await desk.goTo('Tasks')
  await desk.row('Fetch the key').getByRole('link').click()
  await page.getByRole('button', { name: 'Edit' }).click()
  await page.getByRole('textbox', { name: 'Add a source' }).fill(mid)
  await page.getByRole('button', { name: 'Add this message' }).click()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: 'Source' })).toContainText('Key to the oil store')
  await page.getByRole('link', { name: 'the message' }).click()
  await expect(page.getByText('Its task:')).toBeVisible()
  await expect(page.getByText('Its conversation is in the tray')).toBeVisible()
})

test('a pasted list becomes tasks and subtasks after a look at them', async ({ desk, page }) => {
  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'By list' }).click()
  await page
    .getByRole('navigation', { name: 'Lists' })
    .getByRole('button', { name: /^Museum/ })
    .click()
  await desk.press('Shift+Insert')
  await expect(page.getByRole('heading', { name: 'Paste a list' })).toContainText('into Museum')
  await page
    .getByRole('textbox', { name: 'One line for each task' })
    .fill('1. Dust the cases\n  - [x] top\n  - sides\n2. Label the lamp')
  await expect(page.locator('.preview li')).toHaveCount(4)
  await page.getByRole('button', { name: 'Make 4 tasks' }).click()
  await expect(desk.leaf('Dust the cases')).toContainText('1 of 2 done')
  await expect(desk.leaf('sides')).toHaveAttribute('aria-level', '2')
  await desk.press('Control+z')
  await expect(desk.leaf('Dust the cases')).toHaveCount(0)
})

test('the list in a message, with one key from the clearing', async ({ desk, page }) => {
  await desk.press('Space')
  for (let passed = 0; passed < 45; ++passed) {
    await expect(page.locator('.conversation h1')).toBeVisible()
    if ((await page.locator('.conversation h1').innerText()) === 'Before the inspection') break
    await desk.press('ArrowRight')
  }
  await expect(page.getByText('with its list as 3 subtasks')).toBeVisible()
  await desk.press('9')
  await expect(page.locator('.preview li')).toHaveCount(3)
  await page.getByRole('button', { name: 'Make it with 3 subtasks' }).click()
  await expect(page.locator('.conversation h1')).not.toHaveText('Before the inspection')
  await desk.goTo('Tasks')
  await desk.row('Send Olga the signed access form').getByRole('link').click()
  await expect(page.getByRole('checkbox', { name: /^Complete: order the long ladder/ })).toBeVisible()
  // How early depends on how near the day is by then.
  await expect(page.locator('.task-sheet dd', { hasText: /in the morning, |morning before/ })).toBeVisible()
  await desk.undoByKey()
})
