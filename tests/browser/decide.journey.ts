import { expect, test } from './desk'

test('archive with the mouse from the open sheet, and undo', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await desk.open('Timetable from')
  await page.getByRole('button', { name: '5 Archive' }).click()
  await expect(page.getByText('Archived: Timetable from')).toBeVisible()
  await desk.expectCount('Tray', before - 1)
  await desk.goTo('Tray')
  await expect(desk.row('Timetable from')).toHaveCount(0)

  await desk.undoLast()
  await expect(desk.row('Timetable from')).toHaveCount(1)
  await desk.expectCount('Tray', before)
})

test('archive and delete with the keyboard alone, and undo with Ctrl+Z', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await desk.press('Home', 'ArrowDown')
  const subject = await page.locator('.line.current b').innerText()
  await desk.press('5')
  await expect(page.locator('b', { hasText: subject })).toHaveCount(0)
  await desk.press('6')
  await desk.expectCount('Tray', before - 2)
  await desk.press('Control+z')
  await desk.expectCount('Tray', before - 1)
  await desk.press('Control+z')
  await desk.expectCount('Tray', before)
})

test('several are selected and decided in one step', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await page.getByLabel("Select Supporters' News 48", { exact: false }).click()
  await page.getByLabel('Select Tide & Time weekly', { exact: false }).click()
  await page.getByLabel('Select Everything for the bosun', { exact: false }).click()
  await expect(page.getByRole('heading', { name: '3 selected' })).toBeVisible()
  await page.getByRole('button', { name: '6 Delete' }).click()
  await desk.expectCount('Tray', before - 3)
  await expect(page.getByText('and 2 more')).toBeVisible()
  await desk.undoLast()
  await desk.expectCount('Tray', before)
})

test('keys never decide while somebody types', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await desk.open('Bell rope')
  await desk.press('2')
  const title = page.getByLabel('What is to be done?')
  await expect(title).toBeFocused()
  await page.keyboard.type('Buy 56 m of hemp, 3 strands')
  await expect(title).toHaveValue('Buy 56 m of hemp, 3 strands')
  await desk.press('Escape')
  await expect(title).toHaveCount(0)
  await desk.expectCount('Tray', before)
})

test('what is snoozed goes, is listed, and comes back when the clock gets there', async ({ desk, page }) => {
  await desk.open('Question about your opening times')
  await desk.press('3')
  await page.getByRole('button', { name: 'Tomorrow morning' }).click()
  await expect(desk.row('Question about your opening times')).toHaveCount(0)

  await desk.goTo('Coming back')
  await expect(desk.row('Question about your opening times')).toContainText('09:00')
  await desk.moveClock('To tomorrow morning')
  await expect(desk.row('Question about your opening times')).toHaveCount(0)

  await desk.goTo('Tray')
  const back = page.getByRole('region', { name: 'Back with you' })
  await expect(back.getByText('Question about your opening times')).toBeVisible()
  await expect(back.getByRole('listitem').filter({ hasText: 'Question about your' })).toContainText(
    'You wanted it back today. Put off yesterday.',
  )
})

test('a moment of one’s own; a past one is refused with a sentence and stays in the fields', async ({
  desk,
  page,
}) => {
  await desk.open('Helping at the light')
  await desk.press('3')
  const until = page.getByRole('textbox', { name: 'Or until' })
  await until.fill('1 jan 2020')
  await expect(page.getByText('Wed 1 Jan 2020')).toBeVisible()
  await page.getByRole('button', { name: 'Snooze until then' }).click()
  await expect(page.getByText(/already past/)).toBeVisible()
  await expect(until).toHaveValue('1 jan 2020')
  await until.fill('5 may 2031 at 9')
  await expect(page.getByText(/5 May 2031, 09:00/)).toBeVisible()
  await page.getByRole('button', { name: 'Snooze until then' }).click()

  await desk.goTo('Coming back')
  await expect(desk.row('Helping at the light')).toBeVisible()
  await desk.row('Helping at the light').hover()
  await desk.row('Helping at the light').getByRole('button', { name: 'Bring back now' }).click()
  await expect(desk.row('Helping at the light')).toHaveCount(0)
  await desk.goTo('Tray')
  await expect(desk.row('Helping at the light')).toBeVisible()
})

test('deleted mail is put back from the bin', async ({ desk, page }) => {
  await desk.open('You have been selected')
  await desk.press('6')
  await desk.goTo('Find')
  await page.getByRole('button', { name: 'Bin', exact: true }).click()
  await desk.row('You have been selected').getByRole('button', { name: 'Put back' }).click()
  await expect(desk.row('You have been selected')).toHaveCount(0)
  await desk.goTo('Tray')
  await expect(desk.row('You have been selected')).toBeVisible()
})

test('the key of the card that is advised, and lies unfolded, gives it the focus', async ({ desk, page }) => {
  await desk.open('You have been selected')
  await expect(page.locator('.card.advised')).toContainText('Block')
  await desk.press('7')
  await expect(page.getByRole('button', { name: /^Block/ }).last()).toBeFocused()
  await desk.press('Enter')
  await expect(page.getByText('Blocked: You have been selected !!!')).toBeVisible()
  await desk.undoLast()
  await desk.goTo('Tray')
  await expect(desk.row('You have been selected')).toBeVisible()
})

test('the journal undoes a step that is not the last, or says what is in the way', async ({ desk, page }) => {
  await desk.open('Thank you from class 3b')
  await desk.press('5')
  await expect(page.getByText('Archived: Thank you from class 3b')).toBeVisible()
  await desk.goTo('Tray')
  await desk.open('Your order has been sent')
  await desk.press('6')
  await desk.goTo('Find')
  await page.getByRole('textbox', { name: /^Find:/ }).fill('class 3b wonderful')
  await desk.open('Thank you from class 3b')
  await desk.press('6')

  await desk.goTo('Journal')
  await page.getByRole('button', { name: 'Undo: Archived: Thank you from class 3b' }).click()
  await expect(page.getByRole('alert')).toContainText('In the way: Deleted: Thank you from class 3b')
  await page.getByRole('button', { name: 'Undo this and 1 later step' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await desk.goTo('Tray')
  await expect(desk.row('Thank you from class 3b')).toBeVisible()
  await expect(desk.row('Your order has been sent')).toHaveCount(0)
})
