import { expect, test } from './desk'
import { addressTo, back, receive, sentAbout, sheet, text } from './post'

test('answered in a clearing by keyboard, taken back, and sent', async ({ desk, page }) => {
  await receive(desk, 'Which hinge', 'Ilse Norgaard <ilse@ternpoint.example>')
  await page.getByRole('link', { name: 'Start clearing' }).click()
  await expect(page.locator('.conversation h1')).toBeVisible()
  await page.getByLabel('Order').selectOption('newest')
  await expect(page.locator('.desk')).toHaveAttribute('aria-busy', 'false')
  // What has come back lies above it.
  for (let passed = 0; passed < 20; ++passed) {
    const before = await page.locator('.conversation h1').innerText()
    if (before === 'Which hinge') break
    await desk.press('ArrowRight')
    await expect(page.locator('.conversation h1')).not.toHaveText(before)
  }
  await expect(page.locator('.conversation h1')).toHaveText('Which hinge')
  await desk.press('1', '0')
  await expect(text(desk)).toBeFocused()
  await expect(page.getByRole('timer')).toBeVisible()
  await page.keyboard.type('The brass one, please.')
  await expect(sheet(desk).getByText('draft kept')).toBeVisible()
  await desk.press('Control+Enter')
  await expect(page.getByText(/Sent: Re: Which hinge/)).toBeVisible()
  await expect(page.locator('.conversation h1, .summary h1')).not.toHaveText('Which hinge')
  await page.getByRole('button', { name: /^Undo \(\d+\)/ }).click()
  await expect(page.locator('.conversation h1')).toHaveText('Which hinge')
  await desk.press('0')
  await expect(text(desk)).toHaveValue(/^The brass one, please\.\n\n-- \nWren/)
  await page.keyboard.type(' Two of them.')
  await desk.press('Control+Enter')
  await expect(page.getByText(/Sent: Re: Which hinge/)).toBeVisible()
  await expect(page.getByRole('button', { name: /^Undo \(\d+\)/ })).toHaveCount(0, { timeout: 90_000 })
  await expect.poll(() => sentAbout('Re: Which hinge').length, { timeout: 90_000 }).toBe(1)
  const [raw = ''] = sentAbout('Re: Which hinge')
  expect(raw).toContain('The brass one, please. Two of them.')
  expect(raw).toMatch(/In-Reply-To: <[^>]+@ternpoint\.example>/)
  await desk.goTo('Find')
  await page.getByRole('textbox', { name: /^Find:/ }).fill('hinge')
  await expect(page.getByRole('status')).toHaveText('1 conversation')
  await desk.row('Which hinge').getByRole('link').click()
  await expect(page.getByRole('button', { name: /You/ })).toBeVisible()
})

test('handed over: one answers, one is silent, one does not exist', async ({ desk, page }) => {
  test.setTimeout(180_000)
  for (const [subject, name] of [
    ['Plan A', 'Petra'],
    ['Plan B', 'Bram'],
  ] as const) {
    await receive(desk, subject, 'Sennen Roe <s.roe@surveyors-roe.example>')
    await desk.open(subject)
    await desk.press('4')
    await addressTo(desk, name)
    await page.getByLabel('What is owed').fill('which plan is right')
    await page.getByRole('textbox', { name: 'By', exact: true }).fill('in 5 hours')
    await expect(page.getByText('in 5 hours').last()).toBeVisible()
    await page.getByRole('button', { name: 'Forward …' }).click()
    await expect(text(desk)).toHaveValue(
      new RegExp(`^Hello ${name},\\n\\ncould you take this over: which plan is right`),
    )
    await desk.press('Control+Enter')
    await expect(desk.row(subject)).toHaveCount(0)
  }
  await receive(desk, 'Plan C', 'Sennen Roe <s.roe@surveyors-roe.example>')
  await desk.open('Plan C')
  await desk.press('4')
  await page.keyboard.type('gone.away@ternpoint.example')
  await page.getByRole('button', { name: 'Forward …' }).click()
  await expect(text(desk)).toBeFocused()
  await desk.press('Control+Enter')
  await expect(desk.row('Plan C')).toHaveCount(0)

  await desk.goTo('Coming back')
  await page.getByRole('link', { name: /Owed to you/ }).click()
  const petra = page.getByRole('region', { name: 'Petra Lindqvist' })
  await expect(petra.getByRole('listitem').filter({ hasText: 'Plan A' })).toContainText('which plan is right')
  await expect.poll(() => sentAbout('Fwd: Plan').length, { timeout: 90_000 }).toBe(3)
  for (let hour = 0; hour < 6; ++hour) await desk.moveClock('An hour on')
  await desk.goTo('Tray')
  await expect(back(desk, 'Plan A')).toContainText('Petra Lindqvist has answered.', { timeout: 90_000 })
  await expect(back(desk, 'Plan B')).toContainText('Bram Toller has not answered')
  await expect(back(desk, 'Plan C')).toContainText(
    'Your message to gone.away@ternpoint.example did not arrive.',
  )

  await back(desk, 'Plan B').getByRole('link').click()
  await page.getByRole('link', { name: 'Ask again' }).click()
  await expect(text(desk)).toHaveValue(
    /Hello Bram,\n\nOn .* I asked you for this: which plan is right\. I have not heard/,
  )
  await expect(page.getByRole('combobox', { name: 'To' })).toHaveValue('Bram Toller <bram@toller.example>')
  await page.getByRole('button', { name: 'Delete draft' }).click()
  await page.goto('/owed')
  const bram = page.getByRole('region', { name: 'Bram Toller' })
  await bram.getByRole('listitem').hover()
  await bram.getByRole('button', { name: 'It is here' }).click()
  await expect(bram).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Settled lately' })).toContainText('Bram Toller')
  await page.goto('/')
  for (const plan of ['Plan A', 'Plan B', 'Plan C']) {
    await desk.open(plan)
    await desk.press('5')
    await desk.goTo('Tray')
    await expect(desk.row(plan)).toHaveCount(0)
  }
})

test('sent later: it is on the time line, is edited and moved, and goes out at its moment', async ({
  desk,
  page,
}) => {
  await desk.press('+')
  await addressTo(desk, 'Hal')
  await page.getByRole('textbox', { name: 'Subject' }).fill('The boat on Sunday')
  await text(desk).focus()
  await page.keyboard.type('We begin at ten.')
  await page.getByRole('button', { name: 'Later' }).click()
  await page.getByRole('textbox', { name: 'Goes out' }).fill('in 3 days')
  await expect(page.getByText(/in 3 days/).last()).toBeVisible()
  await desk.press('Control+Enter')
  await expect(page.getByText(/To go out: The boat on Sunday/)).toHaveCount(1)

  await desk.goTo('Coming back')
  const line = page.locator('.line').filter({ hasText: 'The boat on Sunday' })
  await expect(line).toContainText('goes out to Hal Jorgen')
  await page.getByRole('link', { name: 'Drafts and going out' }).click()
  await desk.row('The boat on Sunday').hover()
  await desk.row('The boat on Sunday').getByRole('button', { name: 'Look at it' }).click()
  const letter = page.getByRole('region', { name: 'The letter' })
  await expect(letter).toContainText('We begin at ten.')
  const goesOut = await letter.getByRole('status').innerText()
  await desk.press('Escape')
  await expect(desk.row('The boat on Sunday').getByRole('button', { name: 'Look at it' })).toBeVisible()

  // Taken back, and closed as it was: it waits again, for the same moment.
  await desk.row('The boat on Sunday').getByRole('button', { name: 'Look at it' }).click()
  await expect(letter).toContainText('We begin at ten.')
  await desk.press('F2')
  await expect(text(desk)).toBeFocused()
  await expect(page.getByText('Taken back to be changed')).toBeVisible()
  await desk.press('Escape')
  await expect(page.getByText('goes out as it was to')).toBeVisible()
  await desk.row('The boat on Sunday').getByRole('button', { name: 'Look at it' }).click()
  await expect(letter.getByRole('status')).toHaveText(goesOut)

  // Keys that come before the fields are there belong to the letter.
  await desk.press('F2')
  await page.keyboard.type(' Bring a rope.')
  await expect(text(desk)).toHaveValue(/^We begin at ten\. Bring a rope\./)
  await page.getByRole('textbox', { name: 'Goes out' }).fill('tomorrow at 8')
  await expect(page.getByText(/08:00, tomorrow/)).toBeVisible()
  await desk.press('Control+Enter')
  // It is written down when the letter folds away.
  await expect(text(desk)).toHaveCount(0)
  await expect(desk.row('The boat on Sunday')).toContainText('tomorrow')
  expect(sentAbout('The boat on Sunday')).toHaveLength(0)
  await page.goto('/')
  await desk.moveClock('To tomorrow morning')
  await expect.poll(() => sentAbout('The boat on Sunday').length, { timeout: 90_000 }).toBe(1)
  expect(sentAbout('The boat on Sunday')[0]).toContain('We begin at ten. Bring a rope.')
})

test('a draft is never lost: a reload, a second window, a server that does not answer', async ({
  desk,
  page,
  context,
}) => {
  await receive(desk, 'Paint for the door')
  await desk.open('Paint for the door')
  await desk.press('0')
  await expect(text(desk)).toBeFocused()
  await page.keyboard.type('Green')
  await expect(sheet(desk).getByText('draft kept')).toBeVisible()
  await desk.intercept('**/api/outgoing/*', (route) => route.abort())
  await page.keyboard.type(', as before')
  await expect(sheet(desk).getByText('kept in this browser only')).toBeVisible()
  await page.unroute('**/api/outgoing/*')
  await page.reload()
  await page.getByRole('button', { name: /Go on writing/ }).click()
  await expect(text(desk)).toHaveValue(/^Green, as before\n/)
  await page.keyboard.type('.')
  await expect(sheet(desk).getByText('draft kept')).toBeVisible()

  const other = await context.newPage()
  await other.goto(page.url())
  await other.getByRole('button', { name: /Go on writing/ }).click()
  const there = other.getByRole('textbox', { name: 'Text', exact: true })
  await expect(there).toBeFocused()
  const keptThere = other.waitForResponse(
    (response) =>
      response.request().method() === 'PUT' && !!response.request().postData()?.includes('Or blue?'),
  )
  await other.keyboard.type(' Or blue?')
  expect((await keptThere).ok()).toBe(true)
  await page.keyboard.type(' Matt.')
  await expect(page.getByText('This draft was changed in another window.')).toBeVisible()
  await expect(text(desk)).toHaveValue(/^Green, as before\. Matt\.\n/)
  await page.getByRole('button', { name: 'Show what is there' }).click()
  await expect(text(desk)).toHaveValue(/^Green, as before\. Or blue\?\n/)
  await other.close()
  await page.getByRole('button', { name: 'Delete draft' }).click()
  await expect(page.getByText(/Draft deleted/)).toBeVisible()
  await desk.undoLast()
  await expect(page.getByText(/Draft deleted/)).toHaveCount(0)
  await page.getByRole('button', { name: /Go on writing/ }).click()
  await expect(text(desk)).toHaveValue(/^Green, as before\. Or blue\?\n/)
  await page.getByRole('button', { name: 'Delete draft' }).click()
  await desk.press('5')
  await expect(desk.row('Paint for the door')).toHaveCount(0)
})
