import { expect, test } from './ownServer'
import { chooseWord, openSeries, rowFigures } from './support'

test('smoothing: weights chosen, one fixed, chosen again; a level reads its arithmetic', async ({
  page,
}) => {
  await openSeries(page, 'Masonry paint')
  await page.keyboard.press('5')
  await chooseWord(page, 'forecast', 'by smoothing')
  const path = page.getByRole('navigation', { name: 'Path' })
  await expect(path).toContainText(/Trend\s*α 0\.\d\d, β/)
  const working = page.getByRole('complementary', { name: 'Working' })
  await expect(working.getByText('Smoothing: a damped trend')).toBeVisible()

  await page.keyboard.press('6')
  const chosen = await rowFigures(page, 'forecast')
  await page.locator('[data-word=weights]').click()
  await page.getByLabel('α, of the level').fill('0.15')
  await page.getByLabel('α, of the level').press('Enter')
  await expect(page.locator('[data-word=weights]')).toHaveText('α 0.15')
  await expect(async () => {
    expect(await rowFigures(page, 'forecast')).not.toEqual(chosen)
  }).toPass()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-word=weights]')).toHaveText('weights chosen')
  await expect(async () => {
    expect(await rowFigures(page, 'forecast')).toEqual(chosen)
  }).toPass()

  await page.keyboard.press('5')
  await page.getByRole('button', { name: 'latest periods' }).click()
  await page.locator('[data-row=smoothedLevel] [data-t="115"]').click()
  await expect(working).toContainText(/α × sales \(Jul 2025\) ÷ season \(Jul 2024\) \+ \(1 − α\) ×/)
})
