import { expect, type Page } from '@playwright/test'

/** Opens a series of the shelf on the Bench, at Season and not as another test left it. */
export async function openSeries(page: Page, name: string): Promise<void> {
  const shelf = await page.request.get('/api/v1/series')
  const { series } = (await shelf.json()) as { series: { name: string; studyId: string }[] }
  const { studyId } = series.find((row) => row.name === name)!
  const view = {
    stage: 'season',
    folded: false,
    window: null,
    selected: null,
    averages: [],
    pins: [],
  }
  await page.request.put(`/api/v1/studies/${studyId}/desk`, { data: { view } })
  await page.goto('/')
  await page.getByRole('link', { name, exact: true }).click()
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
  await expect(page.getByRole('grid')).toBeVisible()
}

/** Brings text in as a file and keeps what was read. */
export async function bringIn(page: Page, name: string, text: string): Promise<void> {
  await page.goto('/intake')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByRole('button', { name: /^Keep/ }).click()
  await expect(page).not.toHaveURL(/\/intake/)
}

/** Chooses another way to say a word of the method sentence. */
export async function chooseWord(page: Page, word: string, option: string): Promise<void> {
  await page.locator(`[data-word=${word}]`).click()
  await page.getByRole('option', { name: new RegExp(`^${option}`) }).click()
}

/** Chooses from a list, or from the menu of a button, by what it is called. */
export async function choose(page: Page, name: string, option: string): Promise<void> {
  const field = page.getByLabel(name, { exact: true }).first()
  const wanted = page.getByRole('option', { name: option, exact: true })
  // The field around the input takes the click; while the page still moves it can be lost.
  await expect(async () => {
    if (!(await wanted.isVisible())) await field.click({ force: true })
    await wanted.waitFor({ timeout: 3000 })
  }).toPass()
  // A list that opens while the page still moves can lose a click.
  await expect(async () => {
    if (await wanted.isVisible()) await wanted.click({ timeout: 2000 })
    await expect(wanted).toBeHidden({ timeout: 2000 })
  }).toPass()
}

/** The figures of a ledger row, by time code, as they stand on the screen. */
export async function rowFigures(page: Page, row: string): Promise<Record<string, string>> {
  const cells = page.locator(`[data-row="${row}"] .cell`)
  // Columns too narrow for figures hold marks: the latest periods are wide enough.
  if ((await cells.count()) === 0)
    await page.getByRole('button', { name: 'latest periods' }).click()
  await expect(cells).not.toHaveCount(0)
  return cells.evaluateAll((all) =>
    Object.fromEntries(
      all.map((cell) => [(cell as HTMLElement).dataset.t, cell.textContent!.trim()]),
    ),
  )
}

/** Waits until the last change is on the server's disk. */
export async function expectSaved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^\s*Saved\s*$/ })).toBeVisible()
}

/** A CSV of months with a trend and a season. */
export function monthlyCsv(name: string, months: number): string {
  const rows = Array.from({ length: months }, (_, i) => {
    const value = (1000 + 3 * i) * (1 + 0.4 * Math.sin((2 * Math.PI * i) / 12))
    return `${1980 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')},${value.toFixed(2)}`
  })
  return [`month,${name} (pieces)`, ...rows].join('\n')
}
