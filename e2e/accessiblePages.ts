import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { chooseWord, expectSaved, openSeries } from './support'

/** In the dark only colours differ, and only they are looked at again. */
async function expectNoSeriousViolation(page: Page): Promise<void> {
  const isDark = await page.evaluate(() => document.documentElement.dataset.theme === 'dark')
  // Frames there are none, and what passes need not be described: three times as fast.
  const { violations } = await new AxeBuilder({ page })
    .options({
      resultTypes: ['violations'],
      ...(isDark && { runOnly: { type: 'rule', values: ['color-contrast'] } }),
    })
    .setLegacyMode(true)
    .analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(
    serious.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map((node) => node.html)
          .slice(0, 3)
          .join(' ')}`,
    ),
  ).toEqual([])
}

/** Looks at every page in one colour scheme; each scheme is a file of its own, so that they run side by side. */
export function lookAtPages(colorScheme: 'light' | 'dark'): void {
  test.describe(`in ${colorScheme}`, () => {
    test.use({ colorScheme })

    test('shelf', async ({ page }) => {
      await page.goto('/')
      await expect(page.getByRole('link', { name: 'Wood stain' })).toBeVisible()
      await expectNoSeriousViolation(page)
    })

    test('shelf with a selection, and the trash', async ({ page }) => {
      await page.goto('/')
      await page.getByLabel('Select Wood stain').check()
      await expectNoSeriousViolation(page)
      await page.goto('/trash')
      await expect(page.getByRole('heading', { name: 'Trash' })).toBeVisible()
      await expectNoSeriousViolation(page)
    })

    test('intake, empty, read and refused', async ({ page }) => {
      await page.goto('/intake')
      await expectNoSeriousViolation(page)
      await page
        .locator('input[type=file]')
        .setInputFiles('demo/files/exterior-paint-by-region.csv')
      await expect(page.getByRole('button', { name: 'Keep 4 of 4 series' })).toBeVisible()
      await expectNoSeriousViolation(page)
      await page.getByRole('button', { name: 'Another file' }).click()
      await page.locator('input[type=file]').setInputFiles('demo/files/brushes-and-rollers.csv')
      await expect(page.getByRole('group')).toContainText('May 2020')
      await expectNoSeriousViolation(page)
    })

    test('bench: looked at, smoothed, deseasonalized, compared, and by robust loess', async ({
      page,
    }) => {
      test.setTimeout(360_000)
      await openSeries(page, 'Interior paint')
      for (const key of ['1', '2', '4']) {
        await page.keyboard.press(key)
        await expectNoSeriousViolation(page)
      }
      await page.keyboard.press('2')
      await page.getByRole('button', { name: 'small pictures of all orders' }).click()
      await expectNoSeriousViolation(page)
      await page.keyboard.press('c')
      await expect(page.getByRole('columnheader', { name: /^Robust loess/ })).toBeVisible()
      await expectNoSeriousViolation(page)
      await page.keyboard.press('c')
      await page.keyboard.press('t')
      await expect(page.getByText(/^Nearest: /)).toBeVisible({ timeout: 60_000 })
      await expectNoSeriousViolation(page)
      await page.getByRole('button', { name: /^Who takes part/ }).click()
      await expectNoSeriousViolation(page)
      await page.keyboard.press('Escape')
      await page.keyboard.press('t')
      await page.keyboard.press('3')
      await chooseWord(page, 'by', 'robust loess')
      await page.locator('[data-row=weight] .cell').first().click()
      await page.locator('[data-word=loess]').click()
      await page.getByText('All parameters').click()
      await expectNoSeriousViolation(page)
      await page.getByRole('button', { name: 'Done' }).click()
      await page.getByRole('button', { name: 'Undo' }).click()
      await expectSaved(page)
    })

    test('bench: stages, zoomed out, folded, with a menu and the list of shortcuts', async ({
      page,
    }) => {
      test.setTimeout(360_000)
      await openSeries(page, 'Exterior paint')
      for (const key of ['3', '5', '6', '7', '0']) {
        await page.keyboard.press(key)
        await expectNoSeriousViolation(page)
      }
      await page.keyboard.press('3')
      await page.getByRole('button', { name: /^The value of/ }).click()
      await page.getByRole('button', { name: 'Tests and strengths' }).click()
      await page.evaluate(() => (document.activeElement as HTMLElement).blur())
      await page.keyboard.press('m')
      await expect(page.getByRole('form', { name: 'Marked stretch' })).toBeVisible()
      await expectNoSeriousViolation(page)
      await page.keyboard.press('m')
      await page.keyboard.press('f')
      await expectNoSeriousViolation(page)
      await page.keyboard.press('f')
      await page.keyboard.press('5')
      await chooseWord(page, 'trend', 'a line with breaks')
      await chooseWord(page, 'forecast', 'by regression')
      await expectNoSeriousViolation(page)
      for (const word of ['model', 'levels', 'span', 'breaks', 'events']) {
        await page.locator(`[data-word=${word}]`).click()
        await expectNoSeriousViolation(page)
        await page.keyboard.press('Escape')
      }
      await page.keyboard.press('?')
      await expect(page.getByRole('dialog')).toBeVisible()
      await expectNoSeriousViolation(page)
      await page.keyboard.press('Escape')
      await page.getByRole('button', { name: 'Help' }).click()
      await expectNoSeriousViolation(page)
      await page.getByRole('button', { name: 'Terms' }).click()
      await expect(page.getByRole('dialog', { name: 'Terms' })).toBeVisible()
      await expectNoSeriousViolation(page)
    })
  })
}
