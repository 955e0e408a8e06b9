import { chromium } from '@playwright/test'
const [, , script] = process.argv
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const B = 'http://127.0.0.1:4555'
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })).newPage()
page.on('pageerror', (e) => console.log('ERR', e.message.slice(0, 300)))
page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text().slice(0, 300)))
const open = async (name) => { await page.goto(B); await page.getByRole('link', { name, exact: true }).click(); await page.getByRole('grid').waitFor(); await page.waitForTimeout(500) }
const shot = (n) => page.screenshot({ path: `/tmp/shots/${n}.png` })
const stage = async (n) => { await page.getByRole('navigation', { name: 'Path' }).getByRole('button', { name: new RegExp('^' + n) }).click(); await page.waitForTimeout(400) }
const AsyncFunction = (async () => {}).constructor
await new AsyncFunction('page', 'open', 'shot', 'stage', 'B', 'browser', script)(page, open, shot, stage, B, browser)
await browser.close()
