import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { expectSaved } from './support'

/** A browser that forbids keeping anything, and one that has no room left. */
const BROWSERS: Readonly<Record<string, () => void>> = {
  blocked: () => {
    Object.defineProperty(window, 'localStorage', {
      get() {
        throw new DOMException('Access is denied for this document.', 'SecurityError')
      },
    })
  },
  full: () => {
    Storage.prototype.setItem = () => {
      throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
    }
  },
}

for (const [how, script] of Object.entries(BROWSERS)) {
  test(`all works with the storage of the browser ${how}`, async ({ page }) => {
    await page.addInitScript(script)
    const broken: string[] = []
    page.on('pageerror', (error) => broken.push(error.message))
    await keepPasted(page, `Storage ${how}`)
    await page.getByRole('button', { name: 'Dark' }).click()
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
    const offer = page.getByRole('button', { name: 'No, thanks' })
    if (await offer.isVisible()) {
      await offer.click()
      await expect(offer).toBeHidden()
    }
    await page.locator('[data-word=horizon]').click()
    await page.getByRole('button', { name: '2 years', exact: true }).click()
    await expectSaved(page)
    // What is not saved is told to be nowhere else.
    await page.route('**/api/v1/studies/*', (route) => route.abort())
    await page.locator('[data-word=horizon]').click()
    await page.getByRole('button', { name: '3 years', exact: true }).click()
    await expect(page.getByText('kept nowhere but in this page')).toBeVisible()
    expect(broken).toEqual([])
  })
}

/** Pastes three years of figures, and keeps them. */
async function keepPasted(page: Page, name: string): Promise<void> {
  const rows = Array.from(
    { length: 36 },
    (_, i) =>
      `${2021 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}\t${100 + i + 20 * (i % 4)}`,
  )
  await page.goto('/intake')
  await page.getByLabel('Paste rows here').fill([`month\t${name}`, ...rows].join('\n'))
  await page.getByRole('button', { name: 'Read these rows' }).click()
  await page.getByRole('button', { name: 'Keep this series' }).click()
  await expect(page.locator('[data-word=horizon]')).toBeVisible()
}
