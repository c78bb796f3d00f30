import { expect, test } from './desk'
import { receive } from './post'

test('what is visible has its focus at once, and takes it from nobody later', async ({ desk, browser }) => {
  await expect(desk.page.getByRole('heading', { level: 1 })).toBeVisible()
  const page = await (await browser.newContext()).newPage()
  await page.addInitScript(() => {
    const seen = ((window as unknown as { seen: string[] }).seen = [] as string[])
    document.addEventListener('focusin', ({ target }) => seen.push((target as HTMLInputElement).name))
  })
  await page.goto('/')
  const password = page.getByLabel('Password')
  await expect(password).toBeVisible()
  const seen = () => page.evaluate(() => (window as unknown as { seen: string[] }).seen)
  expect(await seen()).toEqual(['email'])
  await password.click()
  await page.keyboard.type('not the right one')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toBeVisible()
  expect(await seen()).toEqual(['email', 'password'])
  await expect(password).toHaveValue('not the right one')
})

test('Esc is heard in the very moment in which a dialog is there', async ({ desk, page }) => {
  await desk.goTo('Tasks')
  await page.getByRole('button', { name: 'By list' }).click()
  await page
    .getByRole('navigation', { name: 'Lists' })
    .getByRole('button', { name: /^Visitors/ })
    .click()
  const posters = desk.leaf('Posters')
  await posters.waitFor()
  await page.evaluate(() => {
    const pressed = new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true })
    new MutationObserver((_, observer) => {
      const dialog = document.querySelector('[role=dialog] h2')
      if (!dialog) return
      observer.disconnect()
      document.documentElement.dataset.focus = String(!!document.activeElement?.closest('[role=dialog]'))
      ;(document.activeElement ?? document.body).dispatchEvent(pressed)
    }).observe(document.body, { childList: true, subtree: true })
  })
  await posters.getByRole('checkbox').click()
  await expect(page.locator('html')).toHaveAttribute('data-focus', 'true')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(posters.getByRole('checkbox')).not.toBeChecked()
})

test('while a dialog is open, no key acts on what lies behind it', async ({ desk, page }) => {
  await desk.open('Renewal of your policy')
  const before = await desk.count('Tray')
  await desk.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await desk.press('6', '5', ' ', '.')
  await desk.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page).toHaveURL(/\/c\//)
  await desk.press('Escape')
  await expect(page).not.toHaveURL(/\/c\//)
  const row = page.getByRole('listitem').getByRole('link').first()
  await row.focus()
  await page.getByRole('button', { name: 'Archive the rest' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await desk.press('ArrowDown', '6', 'Delete', ',')
  await desk.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Archive the rest' })).toBeFocused()
  await desk.expectCount('Tray', before)
})

test('Esc leaves the field and the card first, and the next key is a decision again', async ({
  desk,
  page,
}) => {
  await receive(desk, 'Which paint for the rail')
  await desk.open('Which paint for the rail')
  await desk.press('2')
  await expect(page.getByLabel('What is to be done?')).toBeFocused()
  await desk.press('Escape')
  await expect(page.locator('input:focus')).toHaveCount(0)
  await desk.press('3')
  await page.getByRole('textbox', { name: 'Or until' }).focus()
  await desk.press('Escape')
  await expect(page.getByRole('textbox', { name: 'Or until' })).toHaveCount(0)
  await expect(page).toHaveURL(/\/c\//)
  await desk.press('5')
  await expect(page.getByText('Archived: Which paint for the rail')).toBeVisible()
  await desk.undoLast()
})

test('in the list: the row of a group, the rest, and the place where one was', async ({ desk, page }) => {
  for (const subject of ['Rope one', 'Rope two', 'Rope three']) await receive(desk, subject)
  await page.getByLabel('grouped by').selectOption('sender')
  await desk.row('Rope two').getByRole('link').focus()
  await desk.press('Enter')
  await expect(page.getByRole('heading', { name: 'Rope two' })).toBeVisible()
  await desk.press('Escape')
  await expect(desk.row('Rope two').getByRole('link')).toBeFocused()
  await desk.press('End')
  await expect(page.getByRole('listitem').getByRole('link').last()).toBeFocused()
  await desk.row('Rope two').getByRole('link').focus()
  await desk.press('*')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('selected')
  await desk.press('Escape')

  // After a decision in an opened conversation the next one of its group opens.
  await desk.row('Rope two').getByRole('link').focus()
  await desk.press('Enter')
  await expect(page.getByRole('heading', { name: 'Rope two' })).toBeVisible()
  await desk.press('5')
  await expect(page.getByRole('heading', { name: 'Rope two' })).toHaveCount(0)
  await expect(page).toHaveURL(/\/c\//)
  await desk.press('Escape')
  // In the list its neighbour takes the focus.
  await desk.row('Rope three').getByRole('link').focus()
  await desk.press('5')
  await expect(desk.row('Rope three')).toHaveCount(0)
  await expect(page.locator('[data-conversation]:focus')).toHaveCount(1)
  await desk.press('9')
  await expect(page.getByRole('dialog', { name: 'Archive the rest' })).toBeVisible()
  await desk.press('Escape')
  await page.getByLabel('grouped by').selectOption('advice')
})

test('what is pressed is done to all tasks that are selected', async ({ desk, page }) => {
  for (const title of ['Bolt one', 'Bolt two', 'Bolt three', 'Bolt four'])
    await desk.jot(`${title}; in 40 days`)
  await desk.goTo('Tasks')
  await desk.row('Bolt one').getByRole('link').focus()
  await desk.press('Shift+ArrowDown', 'Shift+ArrowDown')
  await expect(page.getByRole('toolbar', { name: '3 tasks selected' })).toBeVisible()
  await desk.press('7')
  await page.keyboard.type('iron')
  await desk.press('Enter')
  await expect(page.getByText(/Tasks changed: .* and 2 more/)).toBeVisible()
  const focused = page.locator('[data-task]:focus')
  await expect(focused).toHaveCount(1)
  await desk.row('Bolt one').getByRole('link').focus()
  await desk.press('Shift+ArrowDown', 'Shift+ArrowDown')
  await desk.press('Space')
  await expect(page.getByText(/Completed: .* and 2 more/)).toBeVisible()
  await expect(desk.row('Bolt')).toHaveCount(1)
  await expect(focused).toHaveCount(1)
  await desk.row('Bolt').getByRole('link').focus()
  await desk.press('0')
  await expect(page.getByRole('textbox', { name: 'Due' })).toBeFocused()
  await desk.press('=')
  await expect(page.getByRole('textbox', { name: 'Due' })).toHaveValue('today')
  await desk.press('Enter')
  await expect(page.getByRole('region', { name: 'What you did last' })).toContainText('due')
  await desk.row('Bolt').getByRole('link').focus()
  await desk.press('6')
  await expect(desk.row('Bolt')).toHaveCount(0)
  await desk.press('2')
  await page.keyboard.type('Bolt five')
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Bolt five')
  await page
    .getByRole('button', { name: 'Begin anew' })
    .or(page.getByRole('button', { name: 'Cancel' }))
    .first()
    .click()
  await desk.press('9')
  await expect(page.getByRole('dialog', { name: 'Tasks of a list' })).toBeVisible()
  await desk.press('Escape')
})

test('no key means two things in one layer, in any view', async ({ desk, page }) => {
  // What is bound twice is an error on the console, which fails each journey.
  await receive(desk, 'Which lock')
  for (const address of [
    '/',
    '/tasks',
    '/tasks?by=list',
    '/coming-back',
    '/owed',
    '/going-out',
    '/find?words=which',
    '/journal',
    '/settings',
    '/people',
    '/clear',
  ]) {
    await page.goto(address)
    await expect(page.getByRole('navigation', { name: 'Views' })).toBeVisible()
    await desk.press('Home')
    await page.getByRole('button', { name: 'Keys' }).click()
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
    await desk.press('Escape')
  }
  await page.goto('/')
  await desk.open('Which lock')
  await desk.press('0')
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeFocused()
  await desk.press('F8')
  await expect(page.getByRole('textbox', { name: 'Part of the name' })).toBeFocused()
  await desk.press('Escape')
  await page.getByRole('button', { name: 'Delete draft' }).click()
})
