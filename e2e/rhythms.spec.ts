import { expect, test } from './ownServer'
import { choose, chooseWord, rowFigures } from './support'

const WEEK = [0.9, 0.95, 1, 1, 1.1, 1.35, 0.7]
/** Three years of takings that follow the week and the year, from a Saturday on. */
const takings = Array.from({ length: 3 * 365 }, (_, i) => {
  const date = new Date(Date.UTC(2022, 0, 1 + i)).toISOString().slice(0, 10)
  const season = WEEK[(i + 5) % 7]! * (1 + 0.2 * Math.sin((2 * Math.PI * i) / 365.25))
  return `${date},${Math.round(5000 * season * (1 + 0.02 * Math.sin(i * i)))}`
})
const file = ['Date,Takings by day (euros)', ...takings].join('\n')

test('daily takings from file to a forecast by days with both seasons, folded by week', async ({
  page,
}) => {
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'takings.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(file),
  })
  await choose(
    page,
    'The rows are daily. How often shall the series be counted?',
    'daily: As the rows are: a day each, with the season of the week; days without a row have no value.',
  )
  await page.getByRole('button', { name: /^Keep/ }).click()
  await expect(page.getByRole('heading', { name: 'Takings by day' })).toBeVisible()
  await expect(page.getByText('1095 days, none missing').first()).toBeVisible()
  // Two seasons are offered, and each has a row, a strip and a sentence of its own.
  await chooseWord(page, 'by', 'two seasons')
  await expect(page.locator('[data-word=width]')).toContainText('smoothed over 7')
  await page.keyboard.press('3')
  await expect(page.getByText(/Over the week: every Sat \d+% above the baseline/)).toBeVisible()
  await expect(page.getByText(/Over the year: every (Mar|Apr) \d+% above/)).toBeVisible()
  const indices = Object.values(await rowFigures(page, 'shorterIndex')).map(Number)
  expect(Math.abs(Math.max(...indices) - 1.35)).toBeLessThan(0.01)
  // Folded, a row is a week from Monday to Sunday.
  await page.keyboard.press('f')
  await expect(page.getByText('folded by week')).toBeVisible()
  const weeks = page.locator('.season-grid')
  await expect(weeks.getByRole('rowheader', { name: '2022 W01', exact: true })).toBeVisible()
  // Or a year of days, the years laid over each other.
  await choose(page, 'folded by', 'year')
  await expect(weeks.getByRole('rowheader', { name: '2024', exact: true })).toBeVisible()
  await expect(weeks.locator('tbody tr')).toHaveCount(3)
  await choose(page, 'folded by', 'week')
  await expect(weeks.getByRole('rowheader', { name: '2022 W01', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'folded by week' }).click()
  await page.keyboard.press('6')
  await expect(page.getByText(/Tue 31 Dec 2024|Mon 30 Dec 2024/).first()).toBeVisible()
  await expect(page.getByRole('columnheader', { name: 'a week before' })).toBeVisible()
  // A holiday is taken out of its days, beside both seasons.
  await page.keyboard.press('1')
  await page.locator('[data-word=calendar]').click()
  const sheet = page.locator('.by-hand')
  await sheet.getByRole('button', { name: 'Dates of your own' }).click()
  await choose(page, 'A day that hangs on Easter', 'Good Friday')
  await sheet.getByRole('button', { name: 'Take these out' }).click()
  await expect(page.locator('[data-word=calendar]')).toHaveText('Good Friday')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('row', { name: /^a day of Good Friday .* ± \d/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-word=calendar]')).toHaveText('holidays and events')
  // Looked at by month they are a series of months, which leads back to its days.
  await page.getByRole('button', { name: 'daily', exact: true }).click()
  await page.getByRole('button', { name: 'by month', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Takings by day by month' })).toBeVisible()
  // Look says how the weekdays differ that the months were added up from.
  await page.keyboard.press('1')
  await expect(page.getByRole('heading', { name: 'The days behind the months' })).toBeVisible()
  await expect(page.getByRole('row', { name: /^Sunday −(29|30)\.\d% ± \d/ })).toBeVisible()
  await expect(page.getByText(/^Saturdays bring \+35% against the mean day/)).toBeVisible()
  await expect(page.getByText('Jan 2022 – Nov 2024')).toBeVisible()
  const november = takings.filter((row) => row.startsWith('2024-11'))
  const sum = november.reduce((total, row) => total + Number(row.split(',')[1]), 0)
  await page.keyboard.press('1')
  expect((await rowFigures(page, 'value'))['35']).toBe((sum / 1000).toFixed(1))
  await page.getByRole('link', { name: 'Takings by day' }).click()
  await expect(page.getByText('1095 days, none missing').first()).toBeVisible()
  // Asked for once more, it is the same series.
  await page.getByRole('button', { name: 'daily', exact: true }).click()
  await page.getByRole('button', { name: 'by month', exact: true }).click()
  await expect(page.getByText('Jan 2022 – Nov 2024')).toBeVisible()
  await page.goto('/')
  await expect(
    page.getByRole('link', { name: 'Takings by day by month', exact: true }),
  ).toHaveCount(1)
})

test('weeks are kept as weeks, and spoken of as such', async ({ page }) => {
  const weeks = Array.from({ length: 160 }, (_, i) => {
    const monday = new Date(Date.UTC(2021, 0, 4 + 7 * i)).toISOString().slice(0, 10)
    const season = 1 + 0.3 * Math.sin((2 * Math.PI * i) / 52)
    return `${monday},${Math.round(800 * season * (1 + 0.03 * Math.sin(i * i)))}`
  })
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'primer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Week,Primer by week (litres)', ...weeks].join('\n')),
  })
  await page.getByRole('radio', { name: /^weekly/ }).check()
  await page.getByRole('button', { name: /^Keep/ }).click()
  await expect(page.getByText('160 weeks, none missing').first()).toBeVisible()
  await expect(page.getByText('2021 W01 – 2024 W04')).toBeVisible()
  await expect(page.getByText('fold by year')).toBeVisible()
})
