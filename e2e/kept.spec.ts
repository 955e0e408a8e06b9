import { readFileSync } from 'node:fs'
import { expectNoSeriousViolation } from './axe'
import { expect, test } from './ownServer'
import { bringIn, choose, chooseWord, expectSaved, openSeries, rowFigures } from './support'

/** Six further months: a tenth above the same of last year. */
function sixMonthsMore(): string {
  const file = readFileSync('demo/files/exterior-paint.csv', 'utf8').trim()
  const lastYear = file.split('\n').slice(-12, -6)
  const more = lastYear.map((line) => {
    const [month, value] = line.split(',')
    return `${month!.replace('2025', '2026')},${Math.round(1.1 * Number(value))}`
  })
  return [file, ...more].join('\n')
}

/** The same figures, where columns may have room for a decimal more or less. */
function expectAlike(figures: Record<string, string>, others: Record<string, string>): void {
  const shared = Object.keys(figures).filter((t) => others[t] && figures[t])
  expect(shared.length).toBeGreaterThan(3)
  for (const t of shared) {
    expect(Math.abs(Number(figures[t]) - Number(others[t]))).toBeLessThan(0.06)
  }
}

test('forecasts are kept, judged by what comes, told apart, and taken up again as a live study', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const keep = async (name: string) => {
    await page.getByRole('button', { name: 'Keep', exact: true }).click()
    await page.getByLabel('Name of the kept forecast').fill(name)
    await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(page.getByText(`Kept as “${name}”.`)).toBeVisible()
  }
  await openSeries(page, 'Exterior paint')
  await keep('Statistics alone')

  // Bent by hand: a point is dragged, and why is asked where it is let go; then growth from a month on.
  await page.keyboard.press('6')
  const working = page.getByRole('complementary', { name: 'Working' })
  const point = (await page.getByRole('slider', { name: 'Forecast of Mar 2026' }).boundingBox())!
  await page.mouse.move(point.x + 7, point.y + 7)
  await page.mouse.down()
  await page.mouse.move(point.x + 7, point.y - 30, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByLabel('Reason for the assumption')).toBeFocused()
  await page.keyboard.type('big order')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-word=assumptions]')).toHaveText('1 place')
  await expect(working).toContainText('Moved by amount (big order).')
  await choose(page, 'What is assumed of Mar 2026', 'growth from here on')
  await page.getByRole('spinbutton', { name: 'from Mar 2026 on:' }).fill('6')
  await page.getByLabel('Reason for the assumption').fill('new shops')
  await page.getByRole('button', { name: 'assume' }).click()
  await expect(page.locator('[data-word=assumptions]')).toHaveText('2 places')
  await expect(working).toContainText('Moved by amount (big order) and growth (new shops).')
  await expect(working.getByRole('columnheader', { name: 'statistical' }).first()).toBeVisible()
  expect(Object.keys(await rowFigures(page, 'forecast, statistical'))).not.toHaveLength(0)
  await page.getByLabel('Name of a scenario with the assumptions in force').fill('high')
  await page.getByRole('button', { name: 'lay beside', exact: true }).click()
  await expect(page.locator('[data-row="scenario high"]')).toBeVisible()
  await expect(working.getByRole('columnheader', { name: 'high' }).first()).toBeVisible()
  await keep('With the hand')
  await page.locator('[data-word=assumptions]').click()
  await page
    .getByRole('button', { name: /^take out: from Mar 2026 on 6% more/ })
    .last()
    .click()
  await expect(page.locator('[data-word=assumptions]')).toHaveText('1 place')
  await page.keyboard.press('Escape')
  await expectSaved(page)

  // What comes judges them at once.
  await bringIn(page, 'exterior-paint.csv', sixMonthsMore())
  await expect(page.getByText(/^2 kept forecasts have been judged/)).toBeVisible()
  await page.keyboard.press('6')
  const list = working.getByRole('listitem')
  await expect(list.filter({ hasText: 'With the hand' })).toContainText(
    /Jan 2026 to Jun 2026: off by .*% limits; repeating last year 9\.1%; without the hand/,
  )
  await expect(working).toContainText(
    /Of the kept forecast bent by hand: off by .*; without the hand/,
  )
  await expect(page.locator('[data-row^="beside:kept "]')).toHaveCount(1)
  await expect(page.locator('[data-row^="beside:kept-error "]')).toHaveCount(1)
  await list.filter({ hasText: 'Statistics alone' }).getByRole('button', { name: 'agreed' }).click()
  await expect(list.filter({ hasText: 'Statistics alone' })).toContainText('agreed')
  await chooseWord(page, 'trend', 'a smoothed level')
  await expectSaved(page)
  await keep('In July')

  // All of them, and what lies between two: three steps that add up.
  await page.goto('/kept')
  await expect(page.getByRole('row')).toHaveCount(4)
  await expect(page.getByText('3 kept')).toBeVisible()
  await expectNoSeriousViolation(page)
  await page.getByLabel('compare With the hand of Exterior paint').check()
  await page.getByLabel('compare In July of Exterior paint').check()
  const together = page.getByRole('row', { name: /^together/ })
  await expect(together).toBeVisible()
  const [before, data, method, byHand, after] = (
    await together.getByRole('cell').allTextContents()
  ).map((text) => Number(text.replace('−', '-').replace(/[+,]/g, '')))
  expect(byHand).not.toBe(0)
  expect(Math.abs(before! + data! + method! + byHand! - after!)).toBeLessThan(0.5)

  // A Bench that cannot be changed: every figure explains itself, no word can be pressed.
  await page.getByRole('link', { name: 'With the hand' }).click()
  await expect(page.getByRole('heading', { name: 'With the hand' })).toBeVisible()
  await expect(page.getByText(/bent by hand in 2 places/)).toBeVisible()
  await expect(page.locator('[data-word]')).toHaveCount(0)
  await expect(page.getByRole('slider', { name: /^Forecast of/ })).toHaveCount(0)
  await expect(page.locator('[data-row="beside:came"]')).toBeVisible()
  await page.getByRole('button', { name: 'latest periods' }).click()
  await page.locator('[data-row=forecast] [data-t="123"]').click()
  await expect(working).toContainText('Moved by amount (big order) and growth (new shops).')
  await expectNoSeriousViolation(page)

  // Taken up again it is a study of its own, beside the first; both are alive.
  await page.getByRole('button', { name: 'Take up again' }).click()
  const tabs = page.getByRole('navigation', { name: 'Studies of this series' })
  await expect(tabs.getByRole('button', { name: 'With the hand', exact: true })).toBeVisible()
  await page.keyboard.press('6')
  await tabs.getByRole('button', { name: /^show .* beside$/ }).click()
  const beside = page.locator('[data-row="pinned forecast"]')
  await expect(beside).toBeVisible()
  const other = await rowFigures(page, 'pinned forecast')
  const own = await rowFigures(page, 'forecast')
  expect(other).not.toEqual(own)
  await chooseWord(page, 'model', 'additive')
  await expect(async () => {
    expect(await rowFigures(page, 'forecast')).not.toEqual(own)
  }).toPass()
  expectAlike(await rowFigures(page, 'pinned forecast'), other)
  const changed = await rowFigures(page, 'forecast')
  await expectNoSeriousViolation(page)
  await expectSaved(page)

  // Over to the other one: what was beside is on the Bench, and what was there is beside.
  await tabs.getByRole('link').click()
  await page.keyboard.press('6')
  await expect(async () => {
    expectAlike(await rowFigures(page, 'pinned forecast'), changed)
  }).toPass()
  expectAlike(await rowFigures(page, 'forecast'), other)
  await page.goto('/')
  await page.getByRole('link', { name: 'With the hand' }).click()
  await tabs.getByRole('button', { name: 'With the hand', exact: true }).click()
  await page.getByRole('button', { name: 'Delete this study' }).click()
  await expect(tabs.getByRole('link')).toHaveCount(0)

  // With kept forecasts a series is not deleted by one click.
  await page.goto('/')
  await page.getByRole('button', { name: 'Delete Exterior paint', exact: true }).click()
  await expect(page.getByRole('dialog')).toContainText('3 forecasts of it are kept')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('link', { name: 'Exterior paint', exact: true })).toBeVisible()
})
