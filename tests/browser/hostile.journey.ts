import { expect, test } from './desk'
import { receive } from './post'

const EVIL = 'https://evil.example'

/** What wants to run, to fetch, to send or to cover something; each must do nothing in a real browser. */
const ATTACKS = [
  `<script>top.hacked = 1</script><img src=x onerror="top.hacked = 1">`,
  `<svg onload="top.hacked = 1"><script>top.hacked = 1</script></svg>`,
  `<iframe srcdoc="<script>top.hacked = 1</script>"></iframe><object data="${EVIL}/o"></object>`,
  `<img src="${EVIL}/pixel.gif"><img srcset="${EVIL}/set 2x"><video src="${EVIL}/v" poster="${EVIL}/p"></video>`,
  `<p style="background:url(${EVIL}/bg)">a</p><p style="background:u\\72l(${EVIL}/bg2)">b</p>`,
  `<style>@import "${EVIL}/css"; body { background: url(${EVIL}/body) }</style><link rel=stylesheet href="${EVIL}/l">`,
  `<base href="${EVIL}/"><img src="relative.gif"><meta http-equiv=refresh content="0;url=${EVIL}/gone">`,
  `<form action="${EVIL}/form"><input name=a autofocus><button>Send</button></form>`,
  `<table background="${EVIL}/t"><td background="${EVIL}/td">a</table><body background="${EVIL}/b" onload="top.hacked=1">`,
  `<math><mtext><table><mglyph><style><img src=x onerror="top.hacked = 1"></style></mglyph></table></mtext></math>`,
  `<a href="javascript:top.hacked=1" id=link>click</a><p style="position:fixed;inset:0;z-index:9999">covers</p>`,
]

test('letters that attack do nothing in the page that shows them', async ({ desk, page }) => {
  const asked: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(new URL(page.url()).origin)) asked.push(request.url())
  })
  for (const [number, html] of ATTACKS.entries()) {
    const subject = `Attack ${number}`
    await receive(
      desk,
      subject,
      'Mallory <m@evil.example>',
      `${html}<p id="end">The end of it</p>`,
      'text/html',
    )
    await desk.open(subject)
    const frame = page.frameLocator('iframe[title="The message as it was formatted"]')
    await expect(frame.getByText('The end of it')).toBeVisible()
    expect(await page.evaluate(() => 'hacked' in window), subject).toBe(false)
    await expect(
      frame.locator('form, input, script, iframe, object, svg, style:not(:first-of-type)'),
    ).toHaveCount(0)
    await desk.press('6')
  }
  expect(asked.filter((url) => !url.startsWith('data:') && !url.startsWith('blob:'))).toEqual([])
})
