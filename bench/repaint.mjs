import { chromium } from '@playwright/test'
import { startServer } from '../scripts/ownServer.mjs'

const PORT = 4393
const MONTHS = 480
const TEN_YEARS = 120
const SWITCHES = 41

/**
 * Measures in the browser: from the choice of a word of the method sentence to everything
 * repainted, for a series of 480 months, beside what the browser takes to paint at all; and what
 * the first load weighs.
 */
const server = await startServer(PORT)
const BASE = server.base
try {
  const studyId = await keepSeries()
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-background-networking'],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const scripts = collectScripts(page)
  await page.goto(`${BASE}/study/${studyId}`)
  await page.locator('[data-row=value]').waitFor()
  await page.waitForLoadState('networkidle')
  report('first load of the Bench, JavaScript', `${Math.round(scripts.bytes() / 1000)} kB gzipped`)

  await page.keyboard.press('3')
  await page.locator('[data-row=seasonalIrregular]').waitFor()
  sayTimes(
    'yardstick: 100 new words in one list, from the change to the painted frame',
    await page.evaluate(measureYardstick, SWITCHES),
  )
  for (const [zoom, key] of [
    ['latest periods, figures as numbers', null],
    ['whole series, figures as marks', '0'],
  ]) {
    if (key) await page.keyboard.press(key)
    sayTimes(
      `additive ↔ multiplicative, ${MONTHS} months, ${zoom}`,
      await switches(page, 'model', '[data-row=seasonalIrregular] .label'),
    )
  }
  report(
    `contest of the usual methods, ${MONTHS} months, longest frame meanwhile`,
    `${(await page.evaluate(longestFrameOfContest)).toFixed(0)} ms`,
  )
  await page.getByRole('button', { name: 'Back to the Bench' }).click()
  await page.keyboard.press('5')
  await page.locator('[data-row=trend]').waitFor()
  await page.evaluate(keepChoices, ['a straight line', 'a quadratic curve'])
  sayTimes(
    `straight line ↔ quadratic, ${MONTHS} months, whole series`,
    await switches(page, 'trend', '[data-row=trend] .means'),
  )
  await page.evaluate(keepChoices, ['trading days and leap days', 'Easter'])
  sayTimes(
    `trading days ↔ Easter taken out, ${MONTHS} months, whole series`,
    await calendarSwitches(page),
  )
  await page.evaluate(keepChoices, null)
  await page.keyboard.press('3')
  await page.locator('[data-word=by]').click()
  await page.getByRole('option', { name: /^robust loess/ }).click()
  await page.locator('[data-row=weight]').waitFor()
  await page.locator('[data-word=loess]').click()
  await page.locator('input[aria-label="trend over"]').waitFor()
  sayTimes(
    `robust loess, a change of window, ${MONTHS} months`,
    await page.evaluate(measureWindows, SWITCHES),
  )
  await page.goto(`${BASE}/study/${await keepSeries(TEN_YEARS)}`)
  await page.locator('[data-row=value]').waitFor()
  await page.keyboard.press('5')
  await page.locator('[data-word=forecast]').click()
  await page.getByRole('option', { name: /^by smoothing/ }).click()
  await page.getByRole('slider', { name: 'α, of the level' }).waitFor()
  await page.waitForTimeout(3000)
  sayTimes(
    `a weight in the hand, ${TEN_YEARS} months, from one place to the frame that shows it`,
    await page.evaluate(measureWeight, SWITCHES),
  )
  await browser.close()
} finally {
  server.stop()
}

/** What the browser itself takes on this machine in this minute, without anything of ours. */
async function measureYardstick(count) {
  const list = document.body.appendChild(document.createElement('ul'))
  list.style.cssText = 'position: fixed; inset: 0; z-index: 1; columns: 5; font-size: 12px'
  for (let i = 0; i < 100; i++) list.appendChild(document.createElement('li'))
  const times = []
  for (let i = 0; i < count; i++) {
    await new Promise((resolve) => setTimeout(resolve, 30))
    const started = performance.now()
    for (const [k, item] of [...list.children].entries()) item.textContent = `${i * k} litres`
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)))
    times.push(performance.now() - started)
  }
  list.remove()
  return times
}

function switches(page, word, shows) {
  return page.evaluate(measureSwitches, { count: SWITCHES, word, shows })
}

/** Effects of the calendar in turn; a change is seen by the number of its columns. */
async function calendarSwitches(page) {
  await page.locator('[data-word=calendar]').click()
  await page.getByRole('option', { name: /^Easter/ }).click()
  await page.keyboard.press('3')
  const columns = '.below button:has-text("of the calendar")'
  await page.locator(columns).waitFor()
  await page.locator(columns).evaluate((button) => button.setAttribute('data-columns', ''))
  return switches(page, 'calendar', '[data-columns]')
}

/** Of a word with many choices, the two that are switched between. */
function keepChoices(choices) {
  globalThis.switched = choices
}

/** Chooses what is not chosen again and again; a switch ends with the frame that shows it. */
async function measureSwitches({ count, word, shows }) {
  const painted = () =>
    new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)))
  const label = () => document.querySelector(shows).textContent
  /** The other choice of those that are offered. */
  const other = () =>
    [...document.querySelectorAll('[role=option][aria-selected=false]')].find(
      (option) =>
        !globalThis.switched ||
        globalThis.switched.some((text) => option.textContent.startsWith(text)),
    )
  const times = []
  for (let i = 0; i < count; i++) {
    document.querySelector(`[data-word=${word}]`).click()
    while (!other()) await painted()
    await painted()
    const before = label()
    const changed = new Promise((resolve) => {
      const observer = new MutationObserver(() => {
        if (label() === before) return
        observer.disconnect()
        resolve()
      })
      observer.observe(document.body, { subtree: true, childList: true, characterData: true })
    })
    const started = performance.now()
    other().click()
    await changed
    await painted()
    times.push(performance.now() - started)
    while (document.querySelector('[role=option]')) await painted()
  }
  return times
}

/** Holds a contest, and times every frame from its beginning to its end. */
async function longestFrameOfContest() {
  const button = [...document.querySelectorAll('button')].find(
    (one) => one.textContent.trim() === 'Contest',
  )
  button.click()
  const isOver = () => document.querySelector('.contest .outcome') !== null
  // The view itself is put on the screen first; what is measured is what the contest holds up.
  while (!document.querySelector('.contest')) await new Promise(requestAnimationFrame)
  await new Promise(requestAnimationFrame)
  let [longest, last] = [0, performance.now()]
  while (!isOver()) {
    await new Promise(requestAnimationFrame)
    const now = performance.now()
    longest = Math.max(longest, now - last)
    last = now
  }
  return longest
}

/** Changes the window of the trend again and again; a change ends with the frame that shows it. */
async function measureWindows(count) {
  const painted = () =>
    new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)))
  const field = document.querySelector('input[aria-label="trend over"]')
  const means = () => document.querySelector('[data-row=trendCycle] .means').textContent
  const times = []
  for (let i = 0; i < count; i++) {
    const before = means()
    const changed = new Promise((resolve) => {
      const observer = new MutationObserver(() => {
        if (means() === before) return
        observer.disconnect()
        resolve()
      })
      observer.observe(document.body, { subtree: true, childList: true, characterData: true })
    })
    field.value = i % 2 === 0 ? '31' : '21'
    field.dispatchEvent(new Event('input', { bubbles: true }))
    await painted()
    const started = performance.now()
    field.dispatchEvent(new Event('change', { bubbles: true }))
    await changed
    await painted()
    times.push(performance.now() - started)
  }
  return times
}

/** Moves a weight from place to place with the button held down; a move ends with the frame that shows the level it makes. */
async function measureWeight(count) {
  const painted = () =>
    new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)))
  const thumb = document.querySelector('[role=slider][aria-label="α, of the level"]')
  const track = thumb.closest('.v-slider').querySelector('.v-slider__container')
  const { left, top, width, height } = track.getBoundingClientRect()
  const fire = (kind, target, share) =>
    target.dispatchEvent(
      new MouseEvent(kind, {
        bubbles: true,
        cancelable: true,
        clientX: left + share * width,
        clientY: top + height / 2,
      }),
    )
  const shown = () => document.querySelector('.weight .value').textContent
  fire('mousedown', thumb, 0.5)
  await painted()
  const times = []
  for (let i = 0; i < count; i++) {
    const before = shown()
    const started = performance.now()
    fire('mousemove', window, i % 2 === 0 ? 0.3 : 0.6)
    do await painted()
    while (shown() === before)
    times.push(performance.now() - started)
  }
  fire('mouseup', window, 0.5)
  return times
}

function collectScripts(page) {
  const sizes = []
  // What workers load again comes from the browser's own store and is no load.
  page.on('requestfinished', async (request) => {
    if (!request.url().endsWith('.js')) return
    const { responseBodySize } = await request.sizes()
    sizes.push(Math.max(0, responseBodySize))
  })
  return { bytes: () => sizes.reduce((sum, size) => sum + size, 0) }
}

async function keepSeries(months = MONTHS) {
  const values = Array.from(
    { length: months },
    (_, i) =>
      (20_000 + 60 * i) * (1 + 0.35 * Math.sin((2 * Math.PI * i) / 12)) + ((i * 7919) % 997),
  )
  const series = {
    name: `Bench of ${months} months`,
    unit: 'litres',
    frequency: 'monthly',
    start: '1986-01',
    values,
  }
  const answer = await fetch(`${BASE}/api/v1/series`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ series: [{ series, source: { file: 'bench' } }] }),
  })
  return (await answer.json()).series[0].studyId
}

function sayTimes(what, times) {
  times.sort((a, b) => a - b)
  const at = (share) => times[Math.floor(share * (times.length - 1))].toFixed(1)
  report(what, `median ${at(0.5)} ms, 90% within ${at(0.9)} ms, ${times.length} times`)
}

function report(what, figure) {
  process.stdout.write(`${what.padEnd(72)} ${figure}\n`)
}
