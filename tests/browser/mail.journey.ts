import { expect, test } from './desk'

const LETTER = (subject: string) =>
  [
    'From: Runa Holt <runa@holt.example>',
    'To: wren@ternpoint.example',
    `Subject: ${subject}`,
    `Message-ID: <${subject.length}.${subject.charCodeAt(0)}@holt.example>`,
    '',
    `The text of ${subject}.`,
    '',
  ].join('\r\n')

test('files are brought in, several at once, with what became of each', async ({ desk, page }) => {
  const before = await desk.count('Tray')
  await page.getByRole('button', { name: 'Account and more' }).click()
  await page.getByText('Bring mail in').click()
  const mbox = ['Boat hook', 'Fenders']
    .map((subject) => `From x@y Tue Nov 24 10:00:00 2026\n${LETTER(subject)}\n`)
    .join('')
  await page.getByLabel('Mail files').setInputFiles([
    { name: 'anchor.eml', mimeType: 'message/rfc822', buffer: Buffer.from(LETTER('Anchor')) },
    { name: 'box.mbox', mimeType: 'application/mbox', buffer: Buffer.from(mbox) },
    {
      name: 'picture.png',
      mimeType: 'image/png',
      buffer: Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 1, 2]),
    },
  ])
  await expect(desk.row('anchor.eml')).toContainText('1 new message')
  await expect(desk.row('box.mbox')).toContainText('2 new messages')
  await expect(desk.row('picture.png')).toContainText('1 could not be read')
  await desk.row('picture.png').getByText('What could not be read').click()
  await expect(page.getByText('so it is no message')).toBeVisible()
  await page.getByRole('link', { name: 'Go to the tray' }).click()
  await desk.expectCount('Tray', before + 3)
  await desk.open('Fenders')
  await expect(page.getByText('The text of Fenders.')).toBeVisible()
  await expect(page.getByText('the message has no usable date')).toBeVisible()
})

test('a large mailbox says how far it is, is stopped, and goes on where it was', async ({ desk, page }) => {
  const many = 4000
  const letters = Array.from({ length: many }, (_, number) =>
    [
      'From x@y Tue Nov 24 10:00:00 2026',
      'From: Keelson news <news@keelson.example>',
      `Subject: Keelson ${number}`,
      'Date: Mon, 6 Jan 2020 08:00:00 +0000',
      `Message-ID: <${number}@keelson.example>`,
      '',
      `Number ${number}`,
      '\n',
    ].join('\n'),
  )
  await page.goto('/import')
  await page.getByText('into the archive: old mail').click()
  await page
    .getByLabel('Mail files')
    .setInputFiles([
      { name: 'keelson.mbox', mimeType: 'application/mbox', buffer: Buffer.from(letters.join('')) },
    ])
  const file = desk.row('keelson.mbox')
  await expect(file).toContainText(/\d+ messages read, \d+ a second, .* left/)
  await expect(page.getByRole('progressbar', { name: 'keelson.mbox' })).toBeVisible()
  await file.getByRole('button', { name: 'Stop' }).click()
  await expect(file).toContainText(/stopped; \d+ new messages/)
  // What is going on goes on while one is elsewhere.
  await file.getByRole('button', { name: 'Go on' }).click()
  await desk.goTo('Tray')
  await page.goBack()
  await expect(file).toContainText(/^keelson\.mbox.*\d+ new messages/, { timeout: 120_000 })
  await expect(file.getByRole('button', { name: 'Stop' })).toHaveCount(0)
  await page.goto('/find?words=keelson')
  await expect(page.getByText(`${many.toLocaleString('en')} conversations`)).toBeVisible()
})

test('formatted mail is shown in a frame that fetches nothing, with its own pictures', async ({
  desk,
  page,
}) => {
  const outside: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(new URL(page.url()).origin) && !/^(data|blob):/.test(request.url()))
      outside.push(request.url())
  })
  await desk.open('Photos of the north gutter')
  const frame = page.frameLocator('iframe')
  const picture = frame.getByRole('img', { name: 'Joint of the north gutter' })
  await expect(picture).toBeVisible()
  expect(await picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(240)

  await page.goBack()
  await desk.open("Supporters' News 48")
  await page.getByRole('button', { name: 'As it was formatted' }).click()
  await expect(frame.getByRole('heading', { name: 'Gulls' })).toBeVisible()
  await page.goBack()
  await desk.open('Everything for the bosun')
  await expect(frame.getByRole('heading', { name: '30 % off everything' })).toBeVisible()
  expect(outside).toEqual([])
})

test('character sets and languages are read as they were written', async ({ desk, page }) => {
  for (const [subject, words] of [
    ['Besuch im Frühjahr', 'zwölf Leuchtturmfreunde'],
    ['Échange de lentilles – photos', 'l’œil est bon'],
    ['レンズの見積もりについて', 'レンズの見積もりは来週お送りします'],
    ['Вопрос о линзе', 'линзах первого класса'],
    ['Intercâmbio de faroleiros', 'nosso faroleiro gostaria'],
  ] as const) {
    await desk.open(subject)
    await expect(page.getByText(words)).toBeVisible()
    await page.goBack()
  }
})

test('a long conversation is folded but for its newest message', async ({ desk, page }) => {
  await desk.open('Rota for December')
  await expect(page.getByText('5 messages')).toBeVisible()
  await expect(page.getByRole('article')).toHaveCount(1)
  await page.getByRole('button', { name: /Bram Toller/ }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
})

test('what was quoted and the signature are folded away and can be looked at', async ({ desk, page }) => {
  await desk.open('Before the inspection')
  await expect(page.getByText('The weather looks kind')).toBeVisible()
  await expect(page.getByText('Slipway 4, Merrow')).toHaveCount(0)
  await page.getByRole('button', { name: 'Signature folded away' }).click()
  await expect(page.getByText('Slipway 4, Merrow')).toBeVisible()

  await page.goBack()
  await desk.open('Rota for December')
  await expect(page.getByText('Have the Sea Cadets answered?')).toBeVisible()
  await expect(page.getByText('Original Message')).toHaveCount(0)
  await page.getByRole('button', { name: 'Earlier message, 9 lines folded away' }).click()
  await expect(page.getByText('Original Message')).toBeVisible()

  // What was answered between the lines has its question above it.
  await page.getByRole('button', { name: /Ilse Norgaard/ }).click()
  const answers = page.getByRole('article', { name: 'Message from Ilse Norgaard' })
  await expect(answers.getByRole('blockquote')).toHaveText([
    'I can do the 13th if somebody has the key.',
    'Two Sundays are still empty, the 13th and the 27th.',
  ])
})
