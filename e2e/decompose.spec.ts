import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { analyse } from '../core/analyse'
import { begin } from '../core/begin'
import { actualOf } from '../core/ledger/ledger'
import { changed, type MethodDocument } from '../core/method'
import { readFile } from '../intake/readFile'
import { expectNoSeriousViolation } from './axe'
import { bringIn, choose, chooseWord, expectSaved, openSeries, rowFigures } from './support'

const JUNE_2019 = 42

/** What the core says of a demo file under a method: the screen must show the same figures. */
function fromCore(file: string, decompose: MethodDocument['decompose'] = {}) {
  const reading = readFile(readFileSync(`demo/files/${file}`))
  if (reading.outcome !== 'ok') throw new Error('refused')
  const { series } = reading.series[0]!
  // A series that is brought in begins with the method that it asks for.
  return analyse(series, changed(begin(series).method, { decompose }))
}

/** A copy under another name: what is left out of it is no concern of other tests. */
async function bringInCopy(page: Page, file: string, name: string, copy: string) {
  const text = readFileSync(`demo/files/${file}`, 'utf8')
  await bringIn(page, `copy-of-${file}`, text.replace(name, copy))
  await expect(page.getByRole('heading', { name: copy, exact: true })).toBeVisible()
  await expect(page.getByRole('grid')).toBeVisible()
}

test('exterior paint from Look to Deseasonalize', async ({ page }) => {
  await bringInCopy(page, 'exterior-paint.csv', 'Exterior paint', 'Facade paint')
  const working = page.getByRole('complementary', { name: 'Working' })

  await test.step('look: spacing of peaks, tests, and what is left without a trend', async () => {
    await page.getByRole('button', { name: /^Look/ }).click()
    await expect(
      working.getByText(/Peaks stand 12 months apart \(8 gaps\).* seasonal/),
    ).toBeVisible()
    await expect(working.getByText('it does not stay around one level')).toBeVisible()
    await expect(
      working.getByText(/The swing grows with the level: the multiplicative model/),
    ).toBeVisible()
    await choose(page, 'take out', 'seasonal, then first')
    await expect(working.getByText('it stays around one level')).toBeVisible()
    await expect(page.getByRole('rowheader', { name: /Difference/ })).toBeVisible()
    await choose(page, 'on the scale of', 'the logarithm')
    await expect(page.getByRole('rowheader', { name: /Difference.*of ln values/ })).toBeVisible()
    await expect(
      page.getByRole('rowheader', { name: /Rolling mean of the last 12 of what is left/ }),
    ).toBeVisible()
    const [left] = await Promise.all([
      page.waitForEvent('download'),
      (async () => {
        await page.getByRole('button', { name: 'Hand over' }).click()
        await page.getByRole('button', { name: 'Save as CSV' }).click()
      })(),
    ])
    expect(left.suggestedFilename()).toBe('Facade paint - ledger at Look.csv')
    expect(readFileSync(await left.path(), 'utf8')).toMatch(
      /^period,t,season,kind,.*Difference \(.*of ln values.*Rolling mean/m,
    )
    await page.getByLabel(/peaks over/).fill('1')
    await page.keyboard.press('Tab')
    await expect(
      page.locator('.spacing', { hasText: /Peaks stand \d+ to \d+ months apart/ }),
    ).toBeVisible()
  })

  await test.step('smooth: averages compared, with what they leave', async () => {
    await page.getByRole('button', { name: /^Smooth/ }).click()
    await page.getByLabel('Terms', { exact: true }).fill('9')
    await page.getByRole('button', { name: 'add', exact: true }).click()
    await expect(working.getByText(/9 terms is no whole number of years/)).toBeVisible()
    await page.getByLabel('Terms', { exact: true }).fill('12')
    await page.getByRole('button', { name: 'add', exact: true }).click()
    const rows = page.getByRole('rowheader')
    await expect(rows.filter({ hasText: '12-term average' })).toHaveCount(2)
    await choose(page, 'Kind of average', 'an average of an average,')
    await page.getByLabel('Terms of the first').fill('4')
    await page.getByRole('button', { name: 'add', exact: true }).click()
    await expect(page.getByText(/3×4 average falls between two periods/)).toBeVisible()
    await page.getByRole('button', { name: 'small pictures of all orders' }).click()
    await expect(page.getByText('takes the season out whole')).toHaveCount(2)
  })

  const before = fromCore('exterior-paint.csv')
  await test.step('season: leave a flood ratio out of its season', async () => {
    await page.getByRole('button', { name: /^Season/ }).click()
    await page.getByRole('button', { name: 'fold by year' }).click()
    const june = page.locator('.season-grid tbody tr').nth(3).locator('td').nth(5)
    await expect(june).toHaveText(actualOf(before, 'seasonalIrregular')[JUNE_2019 - 1]!.toFixed(3))
    await june.click()
    await working.getByLabel(/Reason to leave this value out/).fill('flood')
    await working.getByRole('button', { name: 'leave out' }).click()
    const after = fromCore('exterior-paint.csv', {
      exclude: [{ period: '2019-06', reason: 'flood' }],
    })
    const index = page.locator('tr.index td')
    await expect(index).toHaveText(after.seasons.map((row) => row.index.toFixed(3)))
    expect(after.seasons[5]!.index).toBeGreaterThan(before.seasons[5]!.index)
    await expect(june).toHaveClass(/excluded/)
    await expect(page.locator('[data-word=exclude]')).toHaveText('1 value left out')
    await page.getByRole('button', { name: 'folded by year' }).click()
  })

  await test.step('indices from elsewhere take the place of its own, and go again', async () => {
    const word = page.locator('[data-word=indices]')
    await word.click()
    await page.getByRole('button', { name: 'start from the present ones' }).click()
    const take = page.getByRole('button', { name: 'Take these' })
    await expect(take).toBeDisabled()
    await page.getByLabel('Where they come from').fill('group of exteriors')
    await take.click()
    await expect(word).toHaveText('indices given (group of exteriors)')
    await expect(working.getByText(/The 12 indices are given/)).toBeVisible()
    await word.click()
    await page.getByRole('button', { name: 'average the series instead' }).click()
    await expect(word).toHaveText('indices')
    // What was left out of the averages comes back with them.
    await page.getByRole('button', { name: 'Undo' }).click()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('[data-word=exclude]')).toHaveText('1 value left out')
  })

  await test.step('pin multiplicative, change to additive, and see both', async () => {
    await page.getByRole('button', { name: 'Pin', exact: true }).click()
    await chooseWord(page, 'model', 'additive')
    const pinned = page.locator('[data-row="pinned index"] .cell').first()
    await expect(pinned).toHaveText(/^[01]\.\d{2,3}$/)
    await page.getByRole('button', { name: 'Compare 1' }).click()
    const compare = page.getByRole('region', { name: 'Methods side by side' })
    await expect(compare.getByText('on the Bench, not pinned')).toBeVisible()
    await expect(compare.getByRole('row', { name: /^model multiplicative additive/ })).toBeVisible()
    await compare.getByRole('button', { name: 'use this method' }).click()
    await expect(page.locator('[data-word=model]')).toHaveText('multiplicative')
    await expectSaved(page)
  })

  await test.step('deseasonalize: what was really good and bad, and growth', async () => {
    await page.getByRole('button', { name: /^Deseasonalize/ }).click()
    await expect(
      working.getByText(/^Jun 2019 was really the worst: 2\d% under trend/),
    ).toBeVisible()
    await choose(page, 'growth rate', 'annualized, compounded')
    const after = fromCore('exterior-paint.csv', {
      exclude: [{ period: '2019-06', reason: 'flood' }],
    })
    const [november, december] = after.columns.deseasonalized.slice(-2) as [number, number]
    const growth = 100 * ((december / november) ** 12 - 1)
    const cell = page.locator('[data-row*="deseasonalized"] .cell[data-t="120"]').last()
    await expect(cell).toHaveText(growth.toFixed(1).replace('-', '−'))
    await cell.click()
    await expect(working.locator('.symbols')).toContainText('100 × ((deseasonalized (Dec 2025)')
  })

  await test.step('the calendar is taken out, down to its days, and comes back into the forecast', async () => {
    const figureIn = (text: string | null, words: RegExp) => Number(words.exec(text ?? '')![1])
    const leftOver = async () => {
      await page.getByRole('button', { name: /^Season/ }).click()
      await page.locator('[data-row=irregular] .cell').first().click()
      const said = working.getByText(/^\s*Its standard deviation is/)
      return figureIn(await said.textContent(), /is ([\d.]+)/)
    }
    const offBy = async () => {
      const stage = page.getByRole('button', { name: /^Check/ })
      await expect(stage).toHaveText(/off by [\d.]+%/)
      return figureIn(await stage.textContent(), /off by ([\d.]+)%/)
    }
    // July of the flood still stands in the way of every effect.
    await page.getByRole('button', { name: /^Season/ }).click()
    await page.getByRole('button', { name: 'fold by year' }).click()
    await page.locator('.season-grid tbody tr').nth(3).locator('td').nth(6).click()
    await working.getByLabel(/Reason to leave this value out/).fill('flood')
    await working.getByRole('button', { name: 'leave out' }).click()
    await expect(page.locator('[data-word=exclude]')).toHaveText('2 values left out')
    await page.getByRole('button', { name: 'folded by year' }).click()
    const before = { left: await leftOver(), off: await offBy() }
    await chooseWord(page, 'calendar', 'trading days, leap days and Easter Every day')
    const word = page.locator('[data-word=calendar]')
    await expect(word).toHaveText(/^trading days, leap days and Easter/)
    await page.getByRole('button', { name: /^Look/ }).click()
    await expect(working.getByRole('row', { name: /^one Saturday more/ })).toHaveText(/ ± \d/)
    await expect(working.getByRole('row', { name: /^Easter taken out/ })).toBeVisible()
    // Every figure of the panel opens its working.
    await working
      .getByRole('row', { name: /^Easter taken out/ })
      .getByRole('button')
      .first()
      .click()
    const shown = working.getByRole('status', { name: 'Working of F of Easter' })
    await expect(shown).toContainText('(SSE without Easter − SSE) ÷ 1 ÷ s²')
    await shown.getByRole('button', { name: 'Close' }).click()
    await expect(shown).toHaveCount(0)
    const easter = working.getByRole('region', { name: 'Easter by years' })
    await expect(easter.getByRole('row', { name: '2021 4 Apr 5 3' })).toBeVisible()
    // Without it less is left over, and forecasts of the past come nearer.
    await expect.poll(leftOver).toBeLessThan(before.left)
    await expect.poll(offBy).toBeLessThan(before.off)
    await page.getByRole('button', { name: /^Look/ }).click()
    await page.getByRole('button', { name: 'latest periods' }).click()
    await page.getByRole('button', { name: /^with the 8 columns of the calendar/ }).click()
    await page.locator('[data-row="calendar Saturday"] .cell[data-t="119"]').click()
    // November 2025 began on a Saturday: five of them, and five Sundays.
    await expect(working.locator('.symbols')).toHaveText('Saturdays − Sundays')
    await expect(working.locator('.numbers')).toHaveText('5 − 5')
    const november = working.getByRole('table', { name: 'November 2025' })
    await expect(november.locator('.counted')).toHaveText(['1', '8', '15', '22', '29'])
    await expect(november.locator('.against')).toHaveCount(5)
    await page.getByRole('button', { name: /^Project/ }).click()
    await page.locator('[data-row=forecast] .cell[data-t="121"]').click()
    await expect(working.locator('.symbols')).toContainText('× calendar (Jan 2026)')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(word).toHaveText('calendar effects')
  })

  await test.step('dates of a calendar file are taken out beside them, each effect by hand', async () => {
    const word = page.locator('[data-word=calendar]')
    await word.click()
    const sheet = page.locator('.by-hand')
    await sheet.getByRole('button', { name: 'Dates of your own' }).click()
    await choose(page, 'A day that hangs on Easter', 'Whit Monday')
    await expect(sheet.getByLabel('Name of the list')).toHaveValue('Whit Monday')
    await expect(sheet.getByLabel('Dates')).toHaveValue(/^2016-05-16\n2017-06-05\n/)
    const chooser = page.waitForEvent('filechooser')
    await sheet.getByRole('button', { name: 'from a calendar file (.ics)' }).click()
    // The second Saturday of May one year, of June the next.
    const fairs = [5, 6].map((month) =>
      [
        `BEGIN:VEVENT\r\nUID:${month}\r\nSUMMARY:Builders' fair`,
        `DTSTART;VALUE=DATE:${2010 + month}0101`,
        `RRULE:FREQ=YEARLY;INTERVAL=2;BYMONTH=${month};BYDAY=2SA`,
        'END:VEVENT',
      ].join('\r\n'),
    )
    await (
      await chooser
    ).setFiles({
      name: 'fairs.ics',
      mimeType: 'text/calendar',
      buffer: Buffer.from(
        ['BEGIN:VCALENDAR', 'VERSION:2.0', ...fairs, 'END:VCALENDAR', ''].join('\r\n'),
      ),
    })
    await expect(sheet.getByLabel('Name of the list')).toHaveValue("Builders' fair")
    await expect(sheet.getByLabel('Dates')).toHaveValue(/^2016-06-11\n2017-05-13\n/)
    await sheet.getByRole('button', { name: 'Take these out' }).click()
    await expect(word).toHaveText("Builders' fair")
    await sheet.getByRole('button', { name: 'Each by hand' }).click()
    await sheet.getByLabel("Days after Builders' fair").fill('3')
    await sheet.getByLabel("Days after Builders' fair").press('Enter')
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: /^Look/ }).click()
    await expect(
      working.getByRole('row', { name: /^one Builders' fair more, with its days around/ }),
    ).toBeVisible()
    // What one series has, the method of another can take.
    const lists = async () => (await page.request.get('/api/v1/date-lists')).json()
    await expect
      .poll(lists)
      .toContainEqual(expect.objectContaining({ name: "Builders' fair", before: 0, after: 3 }))
    // A series whose list of that name has other dates gets these at one click, and its own back.
    const depot = await depotWith(page, "Builders' fair")
    const datesThere = async () => {
      const { method } = await studyOf(page, depot)
      return method.calendar.holidays[0].dates.length
    }
    await page.reload()
    await word.click()
    await sheet.getByRole('button', { name: 'Each by hand' }).click()
    await sheet.getByRole('button', { name: 'give them these' }).click()
    await expect(page.getByText(/^One other method has these dates/)).toBeVisible()
    expect(await datesThere()).toBeGreaterThan(5)
    await expect(sheet.getByRole('button', { name: 'give them these' })).toHaveCount(0)
    await page.keyboard.press('Escape')
    await page.locator('.v-snackbar').getByRole('button', { name: 'Undo' }).click()
    await expect.poll(datesThere).toBe(2)
  })
})

const studyOf = async (page: Page, id: string) =>
  (await page.request.get(`/api/v1/studies/${id}`)).json()

/** Keeps a series whose method takes out a list of two dates. @returns its study */
async function depotWith(page: Page, list: string): Promise<string> {
  const values = Array.from({ length: 36 }, (_, i) => 100 + (i % 12))
  const series = { name: 'Depot', unit: 'litres', frequency: 'monthly', start: '2020-01', values }
  const kept = await page.request.post('/api/v1/series', {
    data: { series: [{ series, source: { file: 'depot.csv' } }] },
  })
  const [{ studyId }] = (await kept.json()).series
  const holidays = [{ name: list, dates: ['2020-05-09', '2023-06-10'] }]
  const method = { format: 'elvant-method/1', calendar: { holidays } }
  // It is begun by rule meanwhile, which makes another version of it.
  const saves = async () => {
    const { version } = await studyOf(page, studyId)
    const saved = await page.request.put(`/api/v1/studies/${studyId}`, {
      data: { method, version },
    })
    return saved.status()
  }
  await expect.poll(saves).toBe(200)
  return studyId
}

test('iterated averages open round by round, down to sales', async ({ page }) => {
  await bringInCopy(page, 'exterior-paint.csv', 'Exterior paint', 'Wall paint')
  const working = page.getByRole('complementary', { name: 'Working' })
  await chooseWord(page, 'by', 'iterated averages')
  await page.keyboard.press('3')
  await page.locator('[data-row=index] .cell').first().click()
  await expect(working.getByRole('heading', { name: /^Index, / })).toBeVisible()
  await expect(working.locator('.symbols')).toContainText('season, not centred of round 3')
  await expect(working.getByText(/^Extremes taken back before trend and season/)).toBeVisible()

  // The rounds are folded away until one is opened; every step of it explains itself.
  await expect(page.locator('[data-row="round3:raw2"]')).toHaveCount(0)
  await page.getByRole('button', { name: /of round 3/ }).click()
  const symbols = working.locator('.symbols')
  const follow = async (row: string, to: string) => {
    await page.locator(`[data-row="${row}"] .cell`).first().click()
    await expect(symbols).toContainText(to)
  }
  await follow('round3:raw2', 'ratio of round 3 (')
  // Its weights are drawn under the values that they weigh.
  await expect(working.getByRole('img', { name: /values and their weights/ })).toBeVisible()
  await follow('round3:si2', 'extremes taken back of round 2 (')
  await page.getByRole('button', { name: /of round 2/ }).click()
  await follow('round2:modified', 'values (')

  await test.step('the diagnosis is read, and extremes are ringed in the grid', async () => {
    await expect(working.getByText('A season is there that can be identified.')).toBeVisible()
    await expect(working.getByText(/^No season is left in the adjusted values/)).toBeVisible()
    await expect(working.getByRole('row', { name: /^trading day/ })).toBeVisible()
    await working.getByRole('button', { name: 'What moves the series, by span' }).click()
    const shares = working.getByRole('list', { name: 'Shares by span' })
    await expect(shares.getByRole('listitem')).toHaveCount(12)
    await working.getByRole('button', { name: 'How the filters were chosen' }).click()
    await expect(working.getByText(/It comes to 3×9; used: 3×9/)).toBeVisible()
    await working.getByRole('button', { name: 'Extremes by year' }).click()
    await expect(working.getByText('14 periods are not believed in full.')).toBeVisible()
    await page.getByRole('button', { name: 'fold by year' }).click()
    await choose(page, 'row', 'Ratio (values ÷ trend of round 3)')
    await expect(page.locator('.season-grid td.ringed')).toHaveCount(14)
    await expect(page.locator('.season-grid td.ringed.faint').first()).toContainText(
      'not believed; ',
    )
    await expectNoSeriousViolation(page)
    await page.getByRole('button', { name: 'folded by year' }).click()
  })

  await test.step('revisions, and how one month moved', async () => {
    await page.keyboard.press('4')
    await working.getByRole('button', { name: 'Work out the revisions' }).click()
    await expect(working.getByText(/First figures moved by .*% on average/)).toBeVisible()
    await page.locator('[data-row=deseasonalized] .cell').first().click()
    await working.getByRole('button', { name: /^Show how .* moved$/ }).click()
    await expect(working.getByText(/the last period, .* with/)).toBeVisible()
    await expectNoSeriousViolation(page)
  })

  await test.step('carried on a year, with yearly sums kept', async () => {
    await chooseWord(page, 'yearly-sums', 'yearly sums kept')
    await expect(page.locator('[data-row=yearlyKept]')).toBeVisible()
    await chooseWord(page, 'extend', 'carried on a year by smoothing')
    await expect(page.locator('[data-word=extend]')).toHaveText('carried on a year by smoothing')
    // What was worked out is of another method now.
    await expect(working.getByRole('button', { name: 'Work out the revisions' })).toBeVisible()
  })

  await test.step('a filter is changed on one of two live studies', async () => {
    await page.getByRole('button', { name: '+ study' }).click()
    const tabs = page.getByRole('navigation', { name: 'Studies of this series' })
    await tabs.getByRole('button', { name: /^show .* beside$/ }).click()
    await chooseWord(page, 'seasonal-filter', '3×3')
    await page.keyboard.press('3')
    await page.getByRole('button', { name: 'latest periods' }).click()
    const beside = page.locator('[data-row="pinned index"]')
    await expect(beside).toBeVisible()
    const other = await rowFigures(page, 'pinned index')
    const own = await rowFigures(page, 'index')
    expect(own).not.toEqual(other)
    // Of the other nothing moves when another filter is taken here; with the same one both say the same.
    await chooseWord(page, 'seasonal-filter', '3×15')
    await expect(async () => {
      expect(await rowFigures(page, 'index')).not.toEqual(own)
    }).toPass()
    expect(await rowFigures(page, 'pinned index')).toEqual(other)
    await chooseWord(page, 'seasonal-filter', 'chosen')
    await expect(beside).toHaveCount(0)
    expect(await rowFigures(page, 'index')).toEqual(other)
  })
  await expectSaved(page)
})

test('adjusted regions are laid beside their adjusted whole', async ({ page }) => {
  await openSeries(page, 'North')
  await page.keyboard.press('4')
  const working = page.getByRole('complementary', { name: 'Working' })
  await working.getByRole('combobox', { name: 'Series that belong to it' }).click()
  for (const name of ['South', 'Coast', 'Online']) {
    await page.getByRole('option', { name, exact: true }).click()
  }
  await page.keyboard.press('Escape')
  await expect(working.getByText(/The whole is the sum of 4 series/)).toContainText(
    'apart on average',
  )
  await expect(page.locator('[data-row="beside:parts-difference"]')).toBeVisible()
  await expectNoSeriousViolation(page)
  // The furthest apart is a click away, and says what it is made of.
  await working
    .getByText(/The whole is the sum/)
    .getByRole('button')
    .click()
  await expect(working.getByRole('heading', { name: /^Whole less parts, / })).toBeVisible()
  await expect(working.locator('.symbols')).toHaveText('adjusted whole − adjusted parts together')
})

test('wood stain by robust loess shows the season drift', async ({ page }) => {
  await bringInCopy(page, 'wood-stain.csv', 'Wood stain', 'Deck stain')
  const working = page.getByRole('complementary', { name: 'Working' })
  await chooseWord(page, 'by', 'robust loess')
  const result = fromCore('wood-stain.csv', { by: 'stl' })

  await test.step('the grid shows the index of every year', async () => {
    await page.keyboard.press('3')
    await page.getByRole('button', { name: 'fold by year' }).click()
    await choose(page, 'row', 'Index (loess, 13 years)')
    const rows = page.locator('.season-grid tbody tr')
    const june = (year: number) =>
      rows
        .nth(year - 2016)
        .locator('td')
        .nth(5)
    await expect(june(2016)).toHaveText(result.columns.index[5]!.toFixed(3))
    await expect(june(2025)).toHaveText(result.columns.index[113]!.toFixed(3))
    expect(result.columns.index[5]! - result.columns.index[113]!).toBeGreaterThan(0.2)
    await expect(working.getByText(/The season moves over the years/)).toBeVisible()
  })

  await test.step('a value is explained by its local regression', async () => {
    await page.locator('.season-grid tbody tr').nth(4).locator('td').nth(5).click()
    await expect(working.getByRole('img', { name: /Local fit around Jun 2020/ })).toBeVisible()
    await expect(working.locator('.symbols')).toContainText('local line through 13 years')
    await page.getByRole('button', { name: 'folded by year' }).click()
  })

  await test.step('a window changes everything; a wrong one is refused in its place', async () => {
    await page.locator('[data-word=loess]').click()
    const years = page.getByLabel(/^smoothed over/)
    await years.fill('8')
    await years.press('Tab')
    await expect(page.getByText(/window of the season .* odd number of at least 7/)).toBeVisible()
    await years.fill('7')
    await years.press('Tab')
    await expect(page.locator('[data-word=loess]')).toContainText('over 7 years')
    await page.getByRole('button', { name: 'Done' }).click()
    const seven = fromCore('wood-stain.csv', { by: 'stl', seasonalWindow: 7 })
    await expect(page.locator('[data-row=index] .cell[data-t="120"]')).toHaveText(
      seven.columns.index[119]!.toFixed(2),
    )
    await expectSaved(page)
  })

  await test.step('the three models are one click away', async () => {
    await page.getByRole('button', { name: 'Compare', exact: true }).click()
    const compare = page.getByRole('region', { name: 'Methods side by side' })
    for (const name of ['Additive', 'Multiplicative', 'Robust loess, multiplicative']) {
      await expect(
        compare.getByRole('columnheader', { name: new RegExp(`^${name}`) }),
      ).toBeVisible()
    }
    await page.keyboard.press('c')
    await expect(page.getByRole('grid')).toBeVisible()
  })
})
