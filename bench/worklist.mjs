import { chromium } from '@playwright/test'
import { startServer } from '../scripts/ownServer.mjs'

const PORT = 4395
const MANY = 10_000
const AT_ONCE = 2500

/** What the application takes over a catalogue: to work it through while others ask, and to scroll, search and sort a shelf of 10,000. */
const server = await startServer(PORT)
const api = `${server.base}/api/v1`
const say = (what, figure) => process.stdout.write(`${`worklist: ${what}`.padEnd(72)} ${figure}\n`)
const send = (path, body, method = 'POST') =>
  fetch(api + path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })

try {
  let began = performance.now()
  await send('/catalogue/demo', {})
  say('2,000 articles put on the shelf', `${((performance.now() - began) / 1000).toFixed(1)} s`)

  began = performance.now()
  await send('/catalogue', { task: { kind: 'work' } })
  let longest = 0
  for (;;) {
    const asked = performance.now()
    await (await fetch(`${api}/series?limit=100`)).text()
    longest = Math.max(longest, performance.now() - asked)
    const { run } = await (await fetch(`${api}/catalogue`)).json()
    if (run.state === 'ended') break
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  say(
    '2,000 of 120 months: first method, verdict over 12 origins, saved',
    `${((performance.now() - began) / 1000).toFixed(1)} s`,
  )
  say('a page of the shelf meanwhile, the longest', `${longest.toFixed(0)} ms (100)`)

  for (let from = 0; from < MANY - 2000; from += AT_ONCE) {
    const count = Math.min(AT_ONCE, MANY - 2000 - from)
    const series = Array.from({ length: count }, (_, i) => ({
      series: {
        ...{ name: `Row ${String(from + i).padStart(5, '0')}`, unit: 'pieces' },
        ...{ frequency: 'yearly', start: '2020', values: [1, 2, 3, (i * 7919) % 97] },
      },
      source: { file: 'bench' },
    }))
    await send('/series', { series })
  }
  // What is new is worked through by itself; the screen is measured at rest.
  await send('/catalogue', { state: 'ended' }, 'PUT')
  await screen()
} finally {
  server.stop()
}

/** Milliseconds from an act to the picture that shows it. */
async function screen() {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox'],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(server.base)
  await page.locator('.count', { hasText: /10,?000/ }).waitFor({ timeout: 60_000 })
  const painted = (act) =>
    page.evaluate(async (what) => {
      const frame = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
      const began = performance.now()
      if (what.scroll !== undefined) scrollTo(0, what.scroll)
      if (what.sort) {
        const heads = [...document.querySelectorAll('th .sort')]
        heads.find((head) => head.textContent.includes(what.sort)).click()
      }
      if (what.search !== undefined) {
        const field = document.querySelector('input[type=search]')
        field.value = what.search
        field.dispatchEvent(new Event('input', { bubbles: true }))
      }
      await frame()
      return performance.now() - began
    }, act)
  for (const [what, acts] of [
    ['scrolled by a page', [{ scroll: 800 }, { scroll: 1600 }, { scroll: 2400 }]],
    ['scrolled anywhere', [{ scroll: 50_000 }, { scroll: 300_000 }, { scroll: 10_000 }]],
    ['sorted', [{ sort: 'Last value' }, { sort: 'Series' }, { sort: 'On the year' }]],
    ['searched', [{ search: 'slate' }, { search: '5 l' }, { search: '' }]],
  ]) {
    const times = []
    for (const act of acts) {
      times.push(await painted(act))
      await page.waitForTimeout(300)
    }
    say(
      `a shelf of 10,000 ${what}, the longest of three`,
      `${Math.max(...times).toFixed(0)} ms (100)`,
    )
  }
  await intake(page)
  await browser.close()
}

/** Milliseconds until 200 series of one file are shown, and until they are kept. */
async function intake(page) {
  await page.goto(`${server.base}/intake`)
  const lines = Array.from({ length: 120 }, (_, t) => {
    const month = `${2016 + Math.floor(t / 12)}-${String((t % 12) + 1).padStart(2, '0')}`
    const values = Array.from({ length: 200 }, (_, i) => 500 + i + ((t * 7919 + i * 31) % 97))
    return [month, ...values].join()
  })
  const heads = Array.from({ length: 200 }, (_, i) => `Glaze ${i + 1} (litres)`)
  const buffer = Buffer.from([['month', ...heads].join(), ...lines].join('\n'))
  const file = { name: 'two-hundred.csv', mimeType: 'text/csv', buffer }
  let began = performance.now()
  await page.locator('input[type=file]').first().setInputFiles(file)
  const keep = page.getByRole('button', { name: 'Keep 200 of 200 series' })
  await keep.waitFor()
  say('200 series of one file shown', `${((performance.now() - began) / 1000).toFixed(1)} s (2)`)
  began = performance.now()
  await keep.click()
  await page.waitForURL(`${server.base}/`)
  say('and kept', `${((performance.now() - began) / 1000).toFixed(1)} s (1)`)
}
