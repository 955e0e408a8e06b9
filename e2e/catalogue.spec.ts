import { readFileSync } from 'node:fs'
import { strFromU8, unzipSync } from 'fflate'
import { expect, test } from './ownServer'
import { choose } from './support'

test('two thousand articles: begun, waiting, stopped, taken up; the exceptions one after another; all forecasts kept', async ({
  page,
}) => {
  test.slow()
  await page.goto('/')
  await page.getByRole('button', { name: 'Add 2,000 articles of the demo' }).click()
  await expect(page.getByText(/2016\s+series/)).toBeVisible({ timeout: 30_000 })

  // What is done is kept when the work waits, goes on, or is stopped.
  const work = async () => {
    await page.getByRole('button', { name: 'Work through…' }).click()
    await page.getByRole('dialog').getByRole('button', { name: 'Work through' }).click()
  }
  await work()
  const far = page.getByRole('status').filter({ hasText: 'working through' })
  await expect(far).toContainText(/working through: [1-9][\d,]* of 2,0\d\d/, { timeout: 30_000 })
  await page.getByRole('button', { name: 'Pause' }).click()
  await expect(far).toContainText('done, waiting')
  await page.reload()
  await expect(far).toContainText('done, waiting')
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('button', { name: 'Work through…' })).toBeVisible()

  // One group of them, to the end.
  await choose(page, 'Group', 'Garden furniture oil')
  await expect(page.getByText('The 200 shown:')).toBeVisible()
  await work()
  await expect(page.getByText(/200 series are worked through; \d+ to look at/)).toBeVisible({
    timeout: 90_000,
  })
  await page.getByRole('button', { name: /^\d+ to look at$/ }).click()
  const rows = page.locator('tr.series')
  await expect(rows.first()).toContainText('typed ten times too large?')

  // All forecasts leave as one table, the exceptions as one report that says why.
  const saved = async (title: string) => {
    const download = page.waitForEvent('download', { timeout: 60_000 })
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await page.getByRole('listitem').filter({ hasText: title }).click()
    return readFileSync(await (await download).path())
  }
  const sheets = unzipSync(await saved('XLSX, two sheets'))
  expect(strFromU8(sheets['xl/workbook.xml']!)).toMatch(/forecasts.*rows/s)
  const report = String(await saved('A page for each'))
  expect(report).toMatch(/<h1>\d+ series to look at<\/h1>/)
  expect(report).toContain('typed ten times too large?')

  // One reason alone, and back to all of them.
  const all = await rows.count()
  await choose(page, 'Reason', 'ends before the others')
  await expect(rows.first()).toContainText('before the others')
  expect(await rows.count()).toBeLessThan(all)
  await choose(page, 'Reason', 'any reason')

  // The first is opened, seen with a note, and gone on from by a key.
  const label = await rows.first().getByRole('checkbox').getAttribute('aria-label')
  const first = label!.replace('Select ', '')
  await rows.first().locator('a.name').click()
  const note = page.getByRole('region', { name: 'To look at' })
  await expect(note).toContainText('typed ten times too large?')
  await note.getByRole('button', { name: 'seen…' }).click()
  await note.getByRole('textbox', { name: 'Note on what was seen' }).fill('asked the branch')
  await note.getByRole('button', { name: 'Seen', exact: true }).click()
  await expect(page.getByRole('heading', { name: first, exact: true })).toHaveCount(0)
  await expect(note).toContainText('1 of')
  const second = page.url()
  await page.keyboard.press('e')
  await expect(note).toContainText('2 of')
  expect(page.url()).not.toBe(second)

  // Seen, it is no more among them; all forecasts of the group are kept under one name.
  await page.goto('/')
  await choose(page, 'Group', 'Garden furniture oil')
  const search = page.getByRole('searchbox')
  await search.fill(first)
  await expect(rows.first().getByText(/^\s*seen:/)).toBeVisible()
  await search.fill('')

  // The season that the group has in common is tried on each; these articles have none.
  await page.getByRole('button', { name: 'Season…' }).click()
  const season = page.getByRole('dialog', { name: 'The season of Garden furniture oil' })
  await expect(season).toContainText('The members have not one season', { timeout: 60_000 })
  await expect(season.getByRole('button', { name: 'Give it to 0' })).toBeDisabled()
  await season.getByRole('button', { name: 'Cancel' }).click()

  // Limited by a figure: the three that are the furthest off have their methods from a contest of the usual ones.
  await page.getByRole('button', { name: 'Columns' }).click()
  await page.getByRole('checkbox', { name: 'Off by' }).check()
  await page.getByLabel('Off by, shown from').fill('12')
  await page.keyboard.press('Escape')
  const limited = page.getByRole('button', { name: 'Off by 12% or more' })
  await expect(limited).toBeVisible()
  for (const figure of await page.locator('td.figure-cell').allTextContents()) {
    expect(parseFloat(figure)).toBeGreaterThanOrEqual(12)
  }
  for (const at of [0, 1, 2]) await rows.nth(at).getByRole('checkbox').click()
  await page.getByRole('button', { name: 'Work through…' }).click()
  const plan = page.getByRole('dialog', { name: 'Work the 3 selected through' })
  await plan.getByRole('radio', { name: /nearest of several/ }).check()
  await expect(plan.getByRole('checkbox', { checked: true })).toHaveCount(6)
  await plan.getByRole('button', { name: 'Work through' }).click()
  await expect(page.getByText(/3 series are worked through/)).toBeVisible({ timeout: 60_000 })
  for (const at of [0, 1, 2]) await rows.nth(at).getByRole('checkbox').click()
  await limited.click()
  await expect(page.getByText('The 200 shown:')).toBeVisible()

  // Three of them added up: the sum has a forecast of its own, and each figure says how it was made to agree.
  for (const at of [1, 2, 3]) await rows.nth(at).getByRole('checkbox').click()
  await page.getByRole('link', { name: 'Add up' }).click()
  const ways = page.getByRole('group', { name: 'How forecasts are made to add up' })
  await ways.getByRole('button', { name: 'by least squares' }).click()
  await expect(page.getByText(/^Over 12 origins forecasts made/)).toBeVisible()
  const working = page.getByRole('group', { name: 'Working' })
  await page.getByRole('button', { name: 'How Feb 2026 was made' }).click()
  await expect(working).toContainText('its own forecast and the sum of its members')

  // What was made to agree is taken on by the studies, period by period with its reason, and given back.
  const amounts = async () => {
    const address = await page.getByRole('link', { name: 'open' }).first().getAttribute('href')
    const study = await page.request.get(`/api/v1${address!.replace('/study/', '/studies/')}`)
    const { method } = (await study.json()) as {
      method: { forecast?: { assumptions?: { kind: string; addsUp?: boolean }[] } }
    }
    return method.forecast?.assumptions?.filter((one) => one.kind === 'amount' && one.addsUp) ?? []
  }
  await page.getByRole('button', { name: 'Take these on…' }).click()
  const asked = page.getByRole('dialog', { name: 'Forecast 3 series by least squares?' })
  await expect(asked).toContainText(/Made to add up with .*, by least squares, on 2\d{3}/)
  await asked.getByRole('button', { name: 'Take on' }).click()
  const taken = page.getByText('3 series have the forecast by least squares now.')
  await expect(taken).toBeVisible()
  expect(await amounts()).toHaveLength(12)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(amounts).toHaveLength(0)

  await page.reload()
  await expect(working).toContainText('Jan 2026')
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await choose(page, 'Group', 'Garden furniture oil')
  await page.getByRole('button', { name: 'Keep forecasts…' }).click()
  await page.getByRole('textbox', { name: 'Name of the kept forecasts' }).fill('December round')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('The forecasts are kept as “December round”.')).toBeVisible({
    timeout: 90_000,
  })
})
