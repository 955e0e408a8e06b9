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

/** The words of the horizon, chosen from its list. */
async function project(page: Page, years: string): Promise<void> {
  await page.locator('[data-word=horizon]').click()
  await page.getByRole('button', { name: years, exact: true }).click()
}

test('what two tabs change apart from one another is put together, and what both change is asked about', async ({
  page,
  context,
}) => {
  await keepPasted(page, 'Two tabs')
  const other = await context.newPage()
  await other.goto(page.url())
  await other.getByRole('button', { name: 'Two tabs', exact: true }).click()
  await other.getByRole('textbox', { name: 'Notes' }).fill('Flood in June.')
  await other.getByRole('button', { name: 'Done', exact: true }).click()
  await expectSaved(other)

  await project(page, '2 years')
  await expectSaved(page)
  await expect(page.getByRole('dialog')).toBeHidden()
  expect(await stored(page)).toMatchObject({
    about: { notes: 'Flood in June.' },
    method: { forecast: { horizon: 24 } },
  })

  await project(other, '3 years')
  const dialog = other.getByRole('dialog').filter({ hasText: 'changed elsewhere' })
  await expect(dialog).toContainText('Both changed')
  await dialog.getByRole('button', { name: 'Keep mine' }).click()
  await expectSaved(other)
  expect(await stored(other)).toMatchObject({
    about: { notes: 'Flood in June.' },
    method: { forecast: { horizon: 36 } },
  })
})

test('a change that a closed tab could not save comes back in the next, and is saved', async ({
  page,
  context,
}) => {
  await keepPasted(page, 'Closed at once')
  await expectSaved(page)
  const address = page.url()
  await page.route('**/api/v1/studies/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
  await project(page, '2 years')
  await page.close()
  const next = await context.newPage()
  await next.goto(address)
  await expect(next.locator('[data-word=horizon]')).toHaveText(/24 months|2 years/)
  await expectSaved(next)
  expect(await stored(next)).toMatchObject({ method: { forecast: { horizon: 24 } } })
  const places = () =>
    next.evaluate(() => Object.keys(localStorage).filter((key) => key.includes('unsaved')))
  await expect.poll(places).toEqual([])
})

/** The study that a page shows, as the server has it. */
async function stored(page: Page): Promise<unknown> {
  const [, id] = /study\/([\w-]+)/.exec(page.url())!
  return (await page.request.get(`/api/v1/studies/${id}`)).json()
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
