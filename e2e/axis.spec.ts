import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { openSeries } from './support'

/** Positions may differ by what a screen cannot show. */
const PIXEL = 0.75

/** Middles of the ledger's cells in pixels of the page, by time code. */
async function cellMiddles(page: Page, row: string): Promise<Map<number, number>> {
  const entries = await page.locator(`[data-row="${row}"] .cell`).evaluateAll((cells) =>
    cells.map((cell) => {
      const box = cell.getBoundingClientRect()
      return [Number((cell as HTMLElement).dataset.t), box.left + box.width / 2] as const
    }),
  )
  return new Map(entries)
}

/**
 * Middles of the runs of ink that a chart has drawn in a colour: bars and stems show where their
 * periods stand.
 */
async function inkMiddles(page: Page, strip: number, token: string): Promise<number[]> {
  // What the edge of the axis cuts through has no middle to compare.
  const axis = (await page.locator('[data-row] .cells').first().boundingBox())!
  const runs = await page
    .locator('.strip canvas')
    .nth(strip)
    .evaluate((element, name) => {
      const canvas = element as HTMLCanvasElement
      const hex = getComputedStyle(document.documentElement).getPropertyValue(name).trim()
      const [red, green, blue] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as [
        number,
        number,
        number,
      ]
      const { width, height } = canvas
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, width, height)
      const isInk = (x: number, y: number) => {
        const at = 4 * (y * width + x)
        const near = (value: number, wanted: number) => Math.abs(value - wanted) < 12
        return (
          data[at + 3]! > 90 &&
          near(data[at]!, red) &&
          near(data[at + 1]!, green) &&
          near(data[at + 2]!, blue)
        )
      }
      const columns = Array.from({ length: width }, (_, x) => {
        for (let y = 0; y < height; y++) if (isInk(x, y)) return true
        return false
      })
      const box = canvas.getBoundingClientRect()
      const scale = box.width / width
      const found: { left: number; right: number }[] = []
      let start: number | null = null
      columns.concat(false).forEach((ink, x) => {
        if (ink && start === null) start = x
        if (!ink && start !== null) {
          found.push({ left: box.left + start * scale, right: box.left + x * scale })
          start = null
        }
      })
      return found
    }, token)
  return runs
    .filter(({ left, right }) => left > axis.x + 1 && right < axis.x + axis.width - 1)
    .map(({ left, right }) => (left + right) / 2)
}

/** Every mark that lies wholly inside the axis stands over the middle of a cell. */
function expectAligned(marks: readonly number[], cells: Map<number, number>, least: number) {
  const [left, right] = [Math.min(...cells.values()), Math.max(...cells.values())]
  const inside = marks.filter((x) => x > left - 2 && x < right + 2)
  expect(inside.length).toBeGreaterThanOrEqual(least)
  for (const mark of inside) {
    const distance = Math.min(...[...cells.values()].map((x) => Math.abs(x - mark)))
    expect(distance).toBeLessThanOrEqual(PIXEL)
  }
}

const SIZES = [
  { width: 1280, height: 800 },
  { width: 1517, height: 911 },
  { width: 1920, height: 1080 },
  { width: 1003, height: 700 },
]

for (const size of SIZES) {
  test(`strips and ledger agree to the pixel at ${size.width} × ${size.height}`, async ({
    page,
  }) => {
    await page.setViewportSize(size)
    await openSeries(page, 'Exterior paint')
    let stems = 0
    for (const keys of [[], ['ArrowLeft', 'Home'], ['+'], ['+', 'End']]) {
      for (const key of keys) await page.keyboard.press(key)
      // Out of the way: the wash of the cursor would tint what is read off the canvas.
      await page.mouse.move(5, 5)
      const index = await cellMiddles(page, 'index')
      expectAligned(await inkMiddles(page, 1, '--season'), index, 3)
      const irregular = await inkMiddles(page, 2, '--irregular')
      expectAligned(irregular, index, 0)
      stems += irregular.length
      const bars = await page.locator('.strip canvas').nth(1).boundingBox()
      const row = await page.locator('[data-row=index] .cells').boundingBox()
      expect(Math.abs(bars!.x + bars!.width - (row!.x + row!.width))).toBeLessThanOrEqual(PIXEL)
    }
    expect(stems).toBeGreaterThan(5)
  })
}

test('off-centre averages straddle two columns, halfway', async ({ page }) => {
  await openSeries(page, 'Exterior paint')
  await page.keyboard.press('Home')
  const [values, averages] = [
    await cellMiddles(page, 'value'),
    await cellMiddles(page, 'movingAverage'),
  ]
  let checked = 0
  for (const [t, x] of averages) {
    const [left, right] = [values.get(t + 5), values.get(t + 6)]
    if (left === undefined || right === undefined) continue
    expect(Math.abs(x - (left + right) / 2)).toBeLessThanOrEqual(PIXEL)
    checked += 1
  }
  expect(checked).toBeGreaterThan(5)
})

test('one cursor goes through strips and ledger', async ({ page }) => {
  await openSeries(page, 'Exterior paint')
  const cells = await cellMiddles(page, 'value')
  const [t, x] = [...cells][4]!
  const strip = (await page.locator('.strip').first().boundingBox())!
  await page.mouse.move(x + 3, strip.y + 40)
  const wash = (await page.locator('.wash').boundingBox())!
  expect(Math.abs(wash.x + wash.width / 2 - x)).toBeLessThanOrEqual(PIXEL)
  await page.locator(`[data-row=value] .cell[data-t="${t}"]`).click()
  await expect(page.locator('.cell.selected')).toHaveAttribute('data-t', String(t))
})

test('zoomed out the ledger is shaded marks, zoomed in it is numbers', async ({ page }) => {
  await openSeries(page, 'Exterior paint')
  await expect(page.locator('[data-row=value] .cell').first()).toBeVisible()
  await page.keyboard.press('0')
  await expect(page.locator('[data-row=value] .cell')).toHaveCount(0)
  await expect(page.locator('canvas.marks')).toBeVisible()

  // A mark is as good as a number to click: the same period is worked out.
  const marks = (await page.locator('canvas.marks').boundingBox())!
  const column = marks.width / 132
  await page.mouse.click(marks.x + 40.5 * column, marks.y + 12)
  const working = page.getByRole('complementary', { name: 'Working' })
  await expect(working.getByRole('heading').first()).toHaveText('Sales, May 2019')
})

test('folded and unfolded again one is at the same period', async ({ page }) => {
  await openSeries(page, 'Exterior paint')
  await page.keyboard.press('Home')
  await page.locator('[data-row=value] .cell[data-t="8"]').click()
  await page.keyboard.press('f')
  await test.step('the pointer reads the years of its season, and leaves no trace', async () => {
    const years = page.locator('.strip').first()
    await years.hover({ position: { x: 520, y: 60 } })
    await expect(years.locator('.values span')).toHaveText([
      ...[2020, 2021, 2022, 2023, 2024, 2025].map((year) => new RegExp(`^${year} \\d+\\.\\d$`)),
    ])
    await page.mouse.move(0, 0)
    await expect(years.locator('.values')).toHaveCount(0)
  })
  await page.keyboard.press('f')
  await expect(page.locator('.cell.selected')).toHaveAttribute('data-t', '8')
})
