import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect } from './ownServer'

/** What axe-core finds serious on a page as it stands, in light and in dark; in the dark only colours differ. */
export async function expectNoSeriousViolation(page: Page): Promise<void> {
  await expectNone(page, [])
  await inScheme(page, 'dark')
  await expectNone(page, ['color-contrast'])
  await inScheme(page, 'light')
}

async function inScheme(page: Page, colorScheme: 'light' | 'dark'): Promise<void> {
  await page.emulateMedia({ colorScheme })
  await expect(page.locator('html')).toHaveAttribute('data-theme', colorScheme)
}

/** @param rules those that are looked at; all where none is named */
async function expectNone(page: Page, rules: readonly string[]): Promise<void> {
  // Frames there are none, and what passes need not be described: three times as fast.
  const { violations } = await new AxeBuilder({ page })
    .options({
      resultTypes: ['violations'],
      ...(rules.length > 0 && { runOnly: { type: 'rule', values: [...rules] } }),
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
