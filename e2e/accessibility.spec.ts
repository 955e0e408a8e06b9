import { lookAtPages } from './accessiblePages'
import { expect, test } from './ownServer'
import { openSeries } from './support'

lookAtPages('light')

test('nothing on the pages runs against their security policy, or fails in silence', async ({
  page,
}) => {
  const complaints: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error' || message.type() === 'warning') complaints.push(message.text())
  })
  page.on('pageerror', (error) => complaints.push(error.message))
  await openSeries(page, 'Exterior paint')
  for (const key of ['1', '2', '4', '5', '6', '7', 'f', 'f', '0', '+', '?']) {
    await page.keyboard.press(key)
  }
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles('demo/files/contract-work.csv')
  await expect(page.getByRole('button', { name: /^Keep/ })).toBeVisible()
  expect(complaints).toEqual([])
})

test("the reader's own colours and stillness are kept to, and nothing is lost by them", async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' })
  await openSeries(page, 'Exterior paint')
  const looks = (selector: string, property: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((one, name) => getComputedStyle(one).getPropertyValue(name), property)
  await page.keyboard.press('3')
  await page.locator('[data-row=seasonalIrregular] .cell').nth(3).click()

  await test.step('what colour alone says is said by a frame or a system colour', async () => {
    expect(await looks('.cell.selected', 'outline-style')).toBe('solid')
    expect(await looks('[aria-current] .dot', 'background-color')).not.toBe(
      await looks('.stage:not([aria-current]) .dot', 'background-color'),
    )
  })
  await test.step('pictures and handles keep their own colours', async () => {
    for (const picture of ['.strip canvas', '.overview .handle', '.overview svg']) {
      expect(await looks(picture, 'forced-color-adjust'), picture).toBe('none')
    }
  })
  await test.step('nothing moves by itself', async () => {
    await page.locator('[data-word=model]').click()
    await page.getByRole('option', { name: /^additive/ }).click()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeVisible()
    expect(await page.evaluate(() => document.getAnimations().length)).toBe(0)
    expect(await looks('.v-btn', 'transition-duration')).toMatch(/^0s/)
  })
})
