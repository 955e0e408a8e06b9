import { expect, test } from './ownServer'
import { bringIn, choose, expectSaved, monthlyCsv, openSeries } from './support'

test('a file that cannot be read is refused with its place, and nothing is kept', async ({
  page,
}) => {
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('month,Mixed sales\n2021-01,5\n2021 Q2,9\n2021-03,8'),
  })
  await expect(page.getByRole('alert').getByRole('listitem')).toContainText('Line 3')
  await expect(page.locator('td.wrong').first()).toHaveText('2021 Q2')
  await expect(page.getByRole('button', { name: /^Keep/ })).toHaveCount(0)
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Exterior paint', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Mixed sales' })).toHaveCount(0)
})

test('of several series those that are wanted are kept, under their new names', async ({
  page,
}) => {
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles('demo/files/exterior-paint-by-region.csv')
  await page.getByLabel('Keep North').uncheck()
  await page.getByLabel('Keep South').uncheck()
  await page.getByLabel('Keep Coast').uncheck()
  await page.getByLabel('name').nth(3).fill('Web shop')
  await page
    .getByRole('button', { name: 'Keep 1 of 4' })
    .or(page.getByRole('button', { name: 'Keep this series' }))
    .click()
  await expect(page.getByRole('heading', { name: 'Web shop' })).toBeVisible()
})

test('rows are read from the clipboard anywhere on the page', async ({ page }) => {
  await page.goto('/intake')
  // Before the page listens a paste is nobody's.
  await expect(async () => {
    await page.locator('body').evaluate((body) => {
      const data = new DataTransfer()
      data.setData('text/plain', 'month\tJobs\nJan 2024\t3\nFeb 2024\t5')
      body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
    })
    await expect(page.getByText('Jan 2024 – Feb 2024, 2 months, none missing')).toBeVisible({
      timeout: 3000,
    })
  }).toPass()
})

/** Files that analysts really have: what is asked, what is answered, and what is then read. */
const QUARTERS = Array.from(
  { length: 12 },
  (_, i) => `${i + 1},${Math.floor(i / 4) + 1},${(i % 4) + 1},${50 + ((i * 7) % 11)}`,
)

const MESSY: readonly (readonly [
  difficulty: string,
  text: string,
  answers: readonly (readonly [question: RegExp, answer: RegExp])[],
  reading: string,
])[] = [
  [
    'a matrix with a decimal comma and totals',
    'Paint (litres);;;;\nYear;Q1;Q2;Q3;Q4;Sum\n2020;1,5;2;3;4;10,5\n2021;5;6;7;8;26\nTotal;6,5;8;10;12;36,5',
    [],
    'quarterly, 2020 Q1 – 2021 Q4, 8 quarters, none missing',
  ],
  [
    'day or month first',
    'date,Sales\n01/01/2021,5\n02/01/2021,7',
    [[/begin with the day or with the month/, /month first/]],
    'monthly, Jan 2021 – Feb 2021, 2 months, none missing',
  ],
  [
    'a month twice',
    'month,Sales\n2021-01,5\n2021-01,6\n2021-03,7',
    [[/Which counts/, /^sum/]],
    'monthly, Jan 2021 – Mar 2021, 3 months, 1 missing, 1 merged',
  ],
  [
    'one mark for thousands or decimals',
    'month;Sales\n2021-01;1,234\n2021-02;2,345',
    [[/thousands or of decimals/, /^point/]],
    'monthly, Jan 2021 – Feb 2021, 2 months, none missing',
  ],
  [
    'words among numbers',
    'month,Sales\n2021-01,5\n2021-02,closed\n2021-03,7',
    [[/is no number/, /^missing/]],
    'monthly, Jan 2021 – Mar 2021, 3 months, 1 missing',
  ],
  [
    'a line without a period',
    'month,Sales\n2021-01,5\nSummer,6\n2021-02,7',
    [[/no period that can be read/, /^leave out/]],
    'monthly, Jan 2021 – Feb 2021, 2 months, none missing',
  ],
  [
    'fiscal periods',
    'period,Sales\nFY2021 P01,5\nFY2021 P02,7',
    [[/fiscal year begin/, /^4 /]],
    'monthly, Apr 2020 – May 2020, 2 months, none missing',
  ],
  [
    'periods across',
    'Product,2021-01,2021-02,2021-03\nPaint,1,2,3',
    [],
    'monthly, Jan 2021 – Mar 2021, 3 months, none missing',
  ],
  [
    'a long table',
    'month,region,litres\n2021-01,North,1\n2021-01,South,2\n2021-02,North,3\n2021-02,South,4',
    [],
    'monthly, Jan 2021 – Feb 2021, 2 months, none missing',
  ],
  [
    'weeks',
    ['week,Sales', ...Array.from({ length: 9 }, (_, i) => `2021-W0${i + 1},${i}`)].join('\n'),
    [],
    'monthly, Jan 2021 – Feb 2021, 2 months, none missing',
  ],
  [
    'JSON lines',
    '{"month":"2021-01","Sales":5}\n{"month":"2021-02","Sales":7}\n',
    [],
    'monthly, Jan 2021 – Feb 2021, 2 months, none missing',
  ],
  [
    'a counter before year and quarter',
    ['t,Year,Quarter,Sales', ...QUARTERS].join('\n'),
    [],
    'quarterly, Year 1 Q1 – Year 3 Q4, 12 quarters, none missing',
  ],
  [
    'a forecast below a line',
    'month,Sales\n2021-01,5\n2021-02,7\n2021-03,6\nForecast,\n2021-04,9\n2021-05,8',
    [[/^Line 5 says "Forecast", and 2 rows follow/, /^leave out/]],
    'monthly, Jan 2021 – Mar 2021, 3 months, none missing',
  ],
]

test('messy files are read, or asked about with the consequence of each answer', async ({
  page,
}) => {
  for (const [difficulty, text, answers, reading] of MESSY) {
    await test.step(difficulty, async () => {
      await page.goto('/intake')
      await page.evaluate(() => localStorage.clear())
      await page.locator('input[type=file]').setInputFiles({
        name: 'messy.txt',
        mimeType: 'text/plain',
        buffer: Buffer.from(text),
      })
      for (const [question, answer] of answers) {
        const group = page.getByRole('group', { name: question })
        await expect(page.getByRole('button', { name: /^Keep/ })).toHaveCount(0)
        await group.getByRole('radio', { name: answer }).click()
      }
      await expect(page.getByText(reading).first()).toBeVisible()
      await expect(page.getByRole('button', { name: /^Keep/ })).toBeEnabled()
    })
  }
})

test('days under months are those of the year that is typed; a list of many keeps its button in sight', async ({
  page,
}) => {
  const months = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
  const lengths = months.map((_, m) => new Date(Date.UTC(2023, m + 1, 0)).getUTCDate())
  const days = Array.from({ length: 31 }, (_, d) =>
    [d + 1, ...lengths.map((length) => (d < length ? 2 : ''))].join(','),
  )
  await page.goto('/intake')
  const paste = async (text: string) => {
    await page.getByLabel('Paste rows here').fill(text)
    await page.getByRole('button', { name: 'Read these rows' }).click()
  }
  await paste([['Day', ...months].join(','), ...days].join('\n'))
  await page.getByLabel(/Which year is that/).fill('2023')
  await page.keyboard.press('Enter')
  await expect(
    page.getByText('monthly, Jan 2023 – Dec 2023, 12 months, none missing'),
  ).toBeVisible()

  await page.getByRole('button', { name: 'Another file' }).click()
  const names = Array.from({ length: 60 }, (_, i) => `Shop ${i + 1}`)
  const rows = Array.from({ length: 24 }, (_, t) => [
    `${2021 + Math.floor(t / 12)}-${String((t % 12) + 1).padStart(2, '0')}`,
    ...names.map((_, k) => 100 + k + t),
  ])
  await paste([['month', ...names], ...rows].map((cells) => cells.join(',')).join('\n'))
  const keep = page.getByRole('button', { name: 'Keep 60 of 60 series' })
  await expect(keep).toBeInViewport()
  await page.getByLabel('unit of all').fill('tins')
  await page.getByLabel('group of all that are new').fill('Shops')
  await keep.click()
  await expect(page.locator('tr.series', { hasText: 'Shop 1' }).first()).toContainText('tins')
  await expect(page.getByText('60 series are now in the group Shops.')).toBeVisible()
})

test('figures without dates are given a start by the analyst', async ({ page }) => {
  await page.goto('/intake')
  await page.getByLabel('Paste rows here').fill('Sales\n5\n7\n9')
  await page.getByRole('button', { name: 'Read these rows' }).click()
  await page.getByRole('radio', { name: /^quarterly/ }).check()
  await page.getByLabel(/Which period is the first/).fill('2019-Q3')
  await page.keyboard.press('Enter')
  await expect(page.getByText('quarterly, 2019 Q3 – 2020 Q1, 3 quarters')).toBeVisible()
})

test('a wrong guess is put right by hand, and remembered for the next file like it', async ({
  page,
}) => {
  const file = (name: string, first: number) => ({
    name,
    mimeType: 'text/csv',
    buffer: Buffer.from(`month,batch,Sales\n2021-01,${first},5\n2021-02,7,7`),
  })
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles(file('one.csv', 3))
  await expect(page.getByLabel('Keep batch')).toBeVisible()
  await choose(page, 'What column 2 holds', 'not read')
  await expect(page.getByText('from column 3')).toHaveCount(1)
  await page.getByRole('button', { name: 'Keep this series' }).click()
  await expect(page).toHaveURL(/study/)
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles(file('two.csv', 4))
  await expect(page.getByText('Read with your answers to the last file like this')).toBeVisible()
  await page.getByRole('button', { name: 'Read it anew' }).click()
  await expect(page.getByLabel('Keep batch')).toBeVisible()
})

test('a file that is no table is turned away with what to do', async ({ page }) => {
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'sales.xls',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0, 0]),
  })
  await expect(page.getByRole('alert')).toContainText('Save the table as XLSX, ODS or CSV')
})

test('names are text, however long and whatever they hold', async ({ page }) => {
  const name = `<img src=x onerror="window.hacked = 1"> ${'long '.repeat(300)}`
  const quoted = `"${name.replaceAll('"', '""')}"`
  await bringIn(page, 'names.csv', monthlyCsv('Sales', 30).replace('Sales (pieces)', quoted))
  await expect(page.getByRole('heading', { level: 1 })).toContainText('<img src=x')
  expect(await page.evaluate(() => 'hacked' in window)).toBe(false)
  const overflow = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
  expect(await overflow()).toBe(0)
  await page.goto('/')
  await expect(page.getByRole('link', { name: /<img/ })).toBeVisible()
  expect(await overflow()).toBe(0)
})

test('the shelf searches, sorts, renames, deletes and brings back', async ({ page }) => {
  await bringIn(page, 'zebra.csv', monthlyCsv('Zebra stripes', 30))
  await page.goto('/')
  // The shelf draws only the rows in sight; the search brings this one there.
  await expect(page.locator('tr.series').first()).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('zebra')
  await expect(page.locator('tr.series')).toHaveCount(1)
  await expect(page.getByRole('link', { name: 'Zebra stripes' })).toBeVisible()

  await page.getByRole('button', { name: 'Rename Zebra stripes' }).click()
  await page.getByLabel('Name of the series').fill('Okapi stripes')
  await page.keyboard.press('Enter')
  await page.getByRole('searchbox').fill('okapi')
  await expect(page.getByRole('link', { name: 'Okapi stripes' })).toBeVisible()

  await page.getByRole('button', { name: 'Delete Okapi stripes' }).click()
  await expect(page.getByText('No series is called “okapi”')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Okapi stripes' })).toBeVisible()

  await page.getByRole('searchbox').fill('')
  await page.getByRole('button', { name: 'Last value' }).click()
  const values = await page
    .locator('tr.series td.last-value')
    .evaluateAll((cells) =>
      cells.map((cell) => parseFloat(cell.firstChild!.textContent!.replace(/,/g, ''))),
    )
  expect(values).toEqual([...values].sort((a, b) => b - a))
})

test('a study changed in two windows offers both versions', async ({ page, context }) => {
  await openSeries(page, 'Primer')
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.locator('[data-word=horizon]')).toBeVisible()

  await page.locator('[data-word=horizon]').click()
  await page.getByRole('button', { name: '2 years', exact: true }).click()
  await expectSaved(page)

  await other.locator('[data-word=horizon]').click()
  await other.getByRole('button', { name: '3 years', exact: true }).click()
  const dialog = other.getByRole('dialog')
  await expect(dialog).toContainText('changed elsewhere')
  await expect(dialog).toContainText('project 36 months')
  await expect(dialog).toContainText('project 24 months')
  await dialog.getByRole('button', { name: 'Take the saved one' }).click()
  await expect(other.locator('[data-word=horizon]')).toHaveText('24 months')

  await page.locator('[data-word=horizon]').click()
  await page.getByRole('button', { name: '1 year', exact: true }).click()
  await expectSaved(page)
  await other.getByRole('button', { name: 'Undo' }).click()
  await other.getByRole('dialog').getByRole('button', { name: 'Keep mine' }).click()
  await expectSaved(other)
  await page.reload()
  await expect(page.locator('[data-word=horizon]')).toHaveText('36 months')
})

test('a study that is not there says so', async ({ page }) => {
  await page.goto('/study/00000000-0000-4000-8000-000000000000')
  await expect(page.getByRole('alert')).toContainText('This study is not there')
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Series' })).toBeVisible()
})
