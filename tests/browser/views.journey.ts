import { Desk, expect, test } from './desk'

const VIEWS = ['Tray', 'Tasks', 'Agenda', 'Coming back', 'Find', 'Journal'] as const

for (const [name, size, scheme] of [
  ['light', { width: 1280, height: 800 }, 'light'],
  ['dark', { width: 1280, height: 800 }, 'dark'],
  ['on a phone', { width: 390, height: 844 }, 'light'],
] as const) {
  test(`every view is accessible, ${name}`, async ({ desk, page }) => {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' })
    await page.setViewportSize(size)
    for (const view of VIEWS) {
      await desk.goTo(view)
      await expect(page.getByRole('listitem').first()).toBeVisible()
      await desk.expectAccessible(`${view}, ${name}`)
    }
    for (const ritual of ['Lay out today', 'Evening look', 'Look back']) {
      await desk.goTo('Agenda')
      await page.getByRole('link', { name: ritual }).click()
      await expect(page.getByRole('heading', { name: ritual })).toBeVisible()
      await desk.expectAccessible(`${ritual}, ${name}`)
    }
    await desk.goTo('Tasks')
    await desk.row('Cut a pane').getByRole('link').click()
    await expect(page.getByText('Broken pane in the porch')).toBeVisible()
    await desk.expectAccessible(`a task, ${name}`)
    await page.getByRole('button', { name: 'Edit' }).click()
    await desk.expectAccessible(`editing a task, ${name}`)
    await page.getByRole('link', { name: 'Zippy Tray' }).click()
    await desk.open('Lantern glass')
    await desk.expectAccessible(`a conversation, ${name}`)
    for (const card of ['Make a task', 'Snooze', 'Hand over', 'Block sender']) {
      const button = page.locator('button.card', { hasText: card })
      await button.click()
      await desk.expectAccessible(`${card}, ${name}`)
      // On a phone it stands alone as long as it is open.
      if (name === 'on a phone') await button.click()
    }
  })

  test(`every card and dialog is accessible, ${name}`, async ({ desk, page }) => {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' })
    await page.setViewportSize(size)
    await page.goto('/settings')
    await expect(page.getByText('Nobody is blocked')).toBeVisible()
    await desk.expectAccessible(`Settings, ${name}`)
    await page.goto('/clear')
    await expect(page.getByRole('heading', { name: 'What becomes of it?' })).toBeVisible()
    await desk.expectAccessible(`Clearing, ${name}`)
    await page.getByRole('button', { name: /^Matters/ }).click()
    await expect(page.getByRole('button', { name: 'It matters more' })).toBeVisible()
    await desk.expectAccessible(`How much it matters, ${name}`)
    await desk.press('Escape')
    await page.getByRole('button', { name: 'End here' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('left in the tray')
    await desk.expectAccessible(`the end of a clearing, ${name}`)
    await page.getByRole('button', { name: 'Archive the rest' }).click()
    await expect(page.getByText('Tick what can go')).toBeVisible()
    await desk.expectAccessible(`Archive the rest, ${name}`)
    for (const [address, text] of [
      ['/owed', 'Kit Marsh'],
      ['/going-out', /Nothing is being written|^written/],
      ['/write', 'Your message'],
    ] as const) {
      await page.goto(address)
      await expect(page.getByText(text).first()).toBeVisible()
      await desk.expectAccessible(`${address}, ${name}`)
    }
    await page.goto('/import')
    await expect(page.getByRole('heading', { name: 'Bring mail in' })).toBeVisible()
    await desk.expectAccessible(`Bring mail in, ${name}`)
    await desk.goTo('Tasks')
    await desk.row('Cut a pane').getByRole('link').click()
    await page.getByRole('button', { name: 'Put off' }).click()
    await expect(page.getByRole('dialog').getByRole('button', { name: /Tomorrow morning/ })).toBeVisible()
    await desk.press('2')
    await expect(page.getByRole('cell').last()).toBeVisible()
    await desk.expectAccessible(`Put off, ${name}`)
    await desk.press('Escape')
    await desk.goTo('Coming back')
    await page.locator('.line').filter({ hasNotText: 'every' }).first().getByRole('link').focus()
    await desk.press('3')
    await expect(page.getByRole('dialog')).toBeVisible()
    await desk.expectAccessible(`Move, ${name}`)
  })
}

test('the bar is walked with , and . and the key card shows what a view can do', async ({ desk, page }) => {
  for (const heading of ['Tasks', 'Agenda', 'Coming back', 'Find']) {
    await desk.press('.')
    await expect(page.getByRole('heading', { level: 1 })).toContainText(heading)
    await page.locator('body').click({ position: { x: 5, y: 400 } })
  }
  await desk.press(',')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Coming back')
  await desk.press('?')
  const card = page.getByRole('dialog')
  await expect(card.getByText('Previous view of the bar')).toBeVisible()
  await desk.expectAccessible('key card')
  await desk.press('Escape')
  await expect(card).toBeHidden()
})

test('at least 16 rows are seen at once', async ({ page, desk }) => {
  await desk.goTo('Tray')
  const rows = await page
    .locator('.line')
    .evaluateAll(
      (lines) => lines.filter((line) => line.getBoundingClientRect().bottom <= window.innerHeight).length,
    )
  expect(rows).toBeGreaterThanOrEqual(16)
})

test('an address that leads nowhere says so', async ({ page, desk }) => {
  await page.goto('/no/such/page')
  await expect(page.getByText('There is nothing at this address')).toBeVisible()
  await page.goto('/c/00000000-0000-7000-8000-000000000000')
  await expect(page.getByRole('alert')).toContainText('not here any more')
  await desk.goTo('Tray')
})

test('the door is accessible, and says when address and password do not belong together', async ({
  page,
}) => {
  await page.goto('/tasks')
  await page.getByLabel('Email address').fill('wren@ternpoint.example')
  await page.getByLabel('Password').fill('guessed')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('alert')).toContainText('do not belong together')
  await expect(page.getByLabel('Email address')).toHaveValue('wren@ternpoint.example')
  await new Desk(page).expectAccessible('the door')
  await page.getByLabel('Password').fill('tern-point-light')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Tasks', level: 1 })).toBeVisible()
})
