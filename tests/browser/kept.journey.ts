import { expect, test, type Desk } from './desk'
import { bring, receive, sheet, text } from './post'

/** Nothing that somebody types is lost, and none of it becomes a decision. */

const heading = (desk: Desk) => desk.page.locator('.conversation h1, .summary h1')

async function clearFrom(desk: Desk, subject: string): Promise<void> {
  await desk.page.getByRole('link', { name: 'Start clearing' }).click()
  await expect(desk.page.locator('.conversation h1')).toBeVisible()
  await desk.page.getByLabel('Order').selectOption('newest')
  await expect(desk.page.locator('.desk')).toHaveAttribute('aria-busy', 'false')
  for (let passed = 0; passed < 30; ++passed) {
    const before = await heading(desk).innerText()
    if (before === subject) return
    await desk.press('ArrowRight')
    await expect(heading(desk)).not.toHaveText(before)
  }
}

test('in a clearing a letter that is not accepted stays, with what is odd about it', async ({
  desk,
  page,
}) => {
  await receive(desk, 'Tidal streams', 'Tidal streams <no-reply@tides.example>')
  await clearFrom(desk, 'Tidal streams')
  await desk.press('0')
  await page.keyboard.type('Attached is our list.')
  await desk.press('Control+Enter')
  await expect(sheet(desk).getByText('The text speaks of an attachment, and there is none.')).toBeVisible()
  await expect(sheet(desk).getByText('no-reply@tides.example does not read answers.')).toBeVisible()
  await expect(heading(desk)).toHaveText('Tidal streams')
  await expect(text(desk)).toHaveValue(/^Attached is our list\./)

  await desk.intercept('**/send', (route) => route.abort())
  await desk.press('Control+Enter')
  await expect(sheet(desk).getByText('The server does not answer')).toBeVisible()
  await expect(text(desk)).toHaveValue(/^Attached is our list\./)
  await expect(heading(desk)).toHaveText('Tidal streams')

  await page.unroute('**/send')
  await desk.press('Control+Enter')
  await expect(sheet(desk).getByText('The text speaks of an attachment')).toBeVisible()
  await desk.press('Control+Enter')
  await expect(page.getByText(/Sent: Re: Tidal streams/)).toBeVisible()
  await expect(heading(desk)).not.toHaveText('Tidal streams')
  await desk.undoLast()
})

test('from the list an answer and a forward open the letter, and the keys in between belong to it', async ({
  desk,
  page,
}) => {
  await receive(desk, 'How many chairs')
  await desk.intercept('**/api/answers*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500))
    await route.continue()
  })
  await desk.press('Home')
  const row = desk.row('How many chairs').getByRole('link')
  for (let step = 0; step < 60 && !(await row.evaluate((one) => one === document.activeElement)); ++step)
    await desk.press('ArrowDown')
  await desk.press('0')
  await page.keyboard.type('5 or 6 adults')
  await expect(text(desk)).toHaveValue(/^5 or 6 adults\n/)
  await expect(page.getByRole('heading', { name: 'What becomes of it?' })).toBeVisible()
  await page.unroute('**/api/answers*')
  await page.goto('/')
  await expect(desk.row('How many chairs')).toBeVisible()

  await desk.press('Home')
  for (let step = 0; step < 60 && !(await row.evaluate((one) => one === document.activeElement)); ++step)
    await desk.press('ArrowDown')
  await desk.press('4')
  await page.getByRole('combobox', { name: 'To whom' }).fill('"Dr. Elin Voss" <voss@voss-dental.example>')
  await page.getByRole('textbox', { name: 'What is owed' }).fill('Count the chairs')
  await page.getByRole('button', { name: 'Forward …' }).click()
  await expect(text(desk)).toHaveValue(/^Hello Elin,\n\ncould you take this over: count the chairs\?/)
  await page.getByRole('button', { name: 'Delete draft' }).click()
  await page.goto('/')
  await expect(desk.row('How many chairs')).toBeVisible()
})

test('a message that comes in while one writes is said and shown, and the second press sends', async ({
  desk,
  page,
}) => {
  const from = 'Ilse Norgaard <ilse@ternpoint.example>'
  await bring(page, { subject: 'Which oar', from, id: 'oar@ternpoint.example' })
  await page.goto('/')
  await desk.open('Which oar')
  await desk.press('0')
  await page.keyboard.type('The left one.')
  await expect(sheet(desk).getByText('draft kept')).toBeVisible()
  await bring(page, {
    subject: 'Re: Which oar',
    from,
    text: 'I mean the long ones.',
    answers: 'oar@ternpoint.example',
  })
  await desk.press('Control+Enter')
  await expect(sheet(desk).getByText('Ilse Norgaard has written meanwhile; it stands above.')).toBeVisible()
  await expect(page.getByText('I mean the long ones.')).toBeVisible()
  await expect(text(desk)).toHaveValue(/^The left one\./)
  await desk.press('Control+Enter')
  await expect(page.getByText(/Sent: Re: Which oar/)).toBeVisible()
  await desk.undoLast()
})

test('a task that is being filled in outlives Esc, another view, a reload and signing out', async ({
  desk,
  page,
}) => {
  await desk.jot('Scrub the hull; label harbour')
  await desk.goTo('Tasks')
  await desk.press('Insert')
  await page.keyboard.type('Caulk the hull')
  await page.getByRole('button', { name: /^More/ }).click()
  await page.getByRole('textbox', { name: 'Notes' }).fill('Two tubs')
  // Esc closes what is open on top, and only that.
  await page.getByRole('combobox', { name: 'Labels' }).click()
  await page.keyboard.type('har')
  await expect(page.getByRole('listbox').getByText('harbour')).toBeVisible()
  await desk.press('Escape')
  await expect(page.getByRole('textbox', { name: 'Notes' })).toHaveValue('Two tubs')
  await page.getByRole('textbox', { name: 'Notes' }).focus()
  await desk.press('Escape')
  await expect(page.getByLabel('What is to be done?')).toHaveCount(0)

  await desk.press('Insert')
  await expect(page.getByText('You typed this')).toBeVisible()
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Caulk the hull')
  await page.reload()
  await page.getByRole('button', { name: 'Write a task down' }).click()
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Caulk the hull')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(desk.row('Caulk the hull')).toBeVisible()

  await desk.row('Caulk the hull').getByRole('link').click()
  await page.getByRole('textbox', { name: 'Add a subtask' }).fill('Buy oakum')
  await page.getByRole('button', { name: 'Edit' }).click()
  await page.keyboard.type('Caulk the whole hull')
  await desk.goTo('Tray')
  await desk.goTo('Tasks')
  await desk.row('Caulk the hull').getByRole('link').click()
  await expect(page.getByRole('textbox', { name: 'Add a subtask' })).toHaveValue('Buy oakum')
  await page.getByRole('button', { name: /^Go on/ }).click()
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Caulk the whole hull')
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await expect(page.getByLabel('What is to be done?')).toHaveValue('Caulk the hull')
  await desk.press('Escape')
  await expect(page.getByText('You began to change it')).toHaveCount(0)

  await desk.press('Shift+Insert')
  await page.getByRole('textbox', { name: 'One line for each task' }).fill('- one\n- two')
  await desk.press('Escape')
  await desk.press(';')
  await page.keyboard.type('Tar the keel; by fri')
  await desk.press('Escape')
  await page
    .getByRole('button', { name: /Account|Wren/ })
    .first()
    .click()
  await page.getByText('Sign out').click()
  // The page begins anew by itself.
  await expect(page.getByLabel('Email address')).toBeVisible()
  await desk.signIn()
  await desk.press(';')
  await expect(page.getByRole('textbox', { name: 'Jot' })).toHaveValue('Tar the keel; by fri')
  await page.getByRole('textbox', { name: 'Jot' }).fill('')
  await desk.press('Escape')
  await desk.goTo('Tasks')
  await desk.press('Shift+Insert')
  await expect(page.getByRole('textbox', { name: 'One line for each task' })).toHaveValue('- one\n- two')
  await page.getByRole('button', { name: 'Begin anew' }).click()
})

test('what could not be decided is named, lies in its place again, and the server is found again', async ({
  desk,
  page,
}) => {
  for (const subject of ['Net one', 'Net two', 'Net three']) await receive(desk, subject)
  await clearFrom(desk, 'Net three')
  await desk.intercept('**/api/**', (route) => route.abort())
  await desk.press('5')
  await expect(heading(desk)).toHaveText('Net two')
  await expect(page.getByRole('alert').filter({ hasText: '“Net three” is not decided' })).toBeVisible()
  await desk.press('5')
  await expect(
    page.getByRole('alert').filter({ hasText: '“Net three” and “Net two” are not decided' }),
  ).toBeVisible()
  await expect(heading(desk)).toHaveText('Net one')
  await expect(page.getByText('The server does not answer.', { exact: true })).toBeVisible()
  await page.unroute('**/api/**')
  await expect(page.getByText('The server answers again.')).toBeVisible()
  await desk.press('ArrowLeft')
  await expect(heading(desk)).toHaveText('Net two')
  await desk.press('ArrowLeft')
  await expect(heading(desk)).toHaveText('Net three')
  for (const next of ['Net two', 'Net one']) {
    await desk.press('5')
    await expect(heading(desk)).toHaveText(next)
  }
  await desk.press('5')
  await expect(heading(desk)).not.toHaveText('Net one')
})
