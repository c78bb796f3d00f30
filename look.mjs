import { chromium } from 'playwright-core'
const [w, h] = (process.env.SIZE ?? '1280x800').split('x').map(Number)
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const context = await b.newContext({ viewport: { width: w, height: h }, colorScheme: process.env.DARK ? 'dark' : 'light' })
const page = await context.newPage()
page.on('console', (m) => ['error', 'warning'].includes(m.type()) && console.log('console:', m.text().slice(0, 300)))
page.on('pageerror', (e) => console.log('pageerror:', e.message))
page.on('response', (r) => r.status() >= 400 && console.log(r.status(), r.url(), r.request().method()))
const U = process.env.URL ?? 'http://127.0.0.1:8111'
await page.goto(U)
await page.getByLabel('Email address').fill('wren@ternpoint.example')
await page.getByLabel('Password').fill('tern-point-light')
await page.getByRole('button', { name: 'Sign in' }).click()
await page.getByRole('heading', { name: 'to decide' }).waitFor()
const shot = (name) => page.screenshot({ path: `/tmp/shots/${name}.png` })
const clock = async (to) => { await page.getByTitle('Demo clock', { exact: false }).click(); await page.getByText(to).click(); await page.waitForTimeout(500) }
const press = async (...keys) => { for (const k of keys) { await page.keyboard.press(k); await page.waitForTimeout(120) } }
const AF = Object.getPrototypeOf(async () => {}).constructor
try { await new AF('page', 'shot', 'context', 'clock', 'press', 'U', process.argv[2])(page, shot, context, clock, press, U) } catch (e) { console.log('FAIL', e.message); await shot('fail') }
await b.close()
