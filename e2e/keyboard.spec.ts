import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { bringIn, expectSaved, monthlyCsv } from './support'

/** The element that the keyboard is on, by its role and name as they are read out. */
async function focused(page: Page): Promise<string> {
  return page.evaluate(() => {
    const element = document.activeElement as HTMLElement
    const name =
      element.getAttribute('aria-label') ??
      element.getAttribute('aria-labelledby') ??
      element.textContent!.replace(/\s+/g, ' ').trim().slice(0, 80)
    return `${element.getAttribute('role') ?? element.tagName.toLowerCase()} ${name}`
  })
}

/** Until the next frame is over: an open menu takes the keyboard from what stands behind it a frame after the key. */
async function frameIsOver(page: Page): Promise<void> {
  await page.evaluate(
    () => new Promise((over) => requestAnimationFrame(() => requestAnimationFrame(over))),
  )
}

/** Presses a key until the keyboard is on what is wanted. */
async function reach(page: Page, wanted: RegExp, key = 'Tab'): Promise<void> {
  const passed: string[] = []
  for (let presses = 0; presses < 90; presses++) {
    await page.keyboard.press(key)
    await frameIsOver(page)
    const at = await focused(page)
    if (wanted.test(at)) return
    passed.push(at)
  }
  throw new Error(`The keyboard does not reach ${wanted}; it passed ${passed.join(' | ')}`)
}

test('the whole Bench is walked without a pointer', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Exterior paint', exact: true })).toBeVisible()
  await reach(page, /^a Exterior paint$/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('grid')).toBeVisible()

  await test.step('every stop has a name, and can be seen to be on', async () => {
    const stops: string[] = []
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    for (let presses = 0; presses < 70; presses++) {
      await page.keyboard.press('Tab')
      const [at, isSeen] = [
        await focused(page),
        await page.evaluate(() => {
          const element = document.activeElement!
          const { outlineStyle, clipPath } = getComputedStyle(element)
          // A field is seen to be on by its frame; a flag on the overview changes its colour.
          const isField = element.closest('.v-field--focused, .v-selection-control') !== null
          return outlineStyle !== 'none' || clipPath !== 'none' || isField
        }),
      ]
      if (at.startsWith('body')) break
      expect(at, 'a stop without a name').toMatch(/^\S+ .+/)
      expect(isSeen, at).toBe(true)
      stops.push(at)
    }
    for (const wanted of [/all 120 months/, /Season/, /First period analysed/, /grid Ledger/]) {
      expect(stops.join('\n')).toMatch(wanted)
    }
  })

  await test.step('a word of the sentence is changed, and undone', async () => {
    await reach(page, /^button multiplicative$/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('option', { name: /^additive/ })).toBeVisible()
    await reach(page, /^option additive/, 'ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-word=model]')).toHaveText('additive')
    await page.keyboard.press('Control+z')
    await expect(page.locator('[data-word=model]')).toHaveText('multiplicative')
  })

  await test.step('stages, rows and periods; a cell says row, period and value', async () => {
    // On a word the arrows open its choices; on the page they walk the ledger.
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    await page.keyboard.press('3')
    const said = page.locator('.ledger [aria-live]')
    await expect(said).toHaveText(/^Ratio, \w{3} 2025: [\d.]+ factor$/)
    await page.keyboard.press('End')
    await expect(said).toHaveText('Ratio, Dec 2026: no figure here')
    await page.keyboard.press('ArrowUp')
    // The nearest period that has an average.
    await expect(said).toHaveText(/^Centred average, Jun 2025: [\d,]+ litres$/)
    await page.keyboard.press('ArrowRight')
    await expect(said).toHaveText('Centred average, Jul 2025: no average here')
    const active = await page.getByRole('grid').getAttribute('aria-activedescendant')
    await expect(page.locator(`#${active}`)).toHaveAttribute(
      'aria-label',
      'Centred average, Jul 2025: no average here',
    )
  })

  await test.step('a stretch is marked and left out with one reason', async () => {
    await page.keyboard.press('m')
    await page.keyboard.press('ArrowLeft')
    const stretch = page.getByRole('form', { name: 'Marked stretch' })
    await expect(stretch).toContainText('Jun 2025 to Jul 2025, 2 months')
    await reach(page, /What happened in the marked stretch/)
    await page.keyboard.type('strike')
    await page.keyboard.press('Enter')
    await expect(page.getByText('2 left out', { exact: false }).first()).toBeVisible()
    await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    await page.keyboard.press('Control+z')
    await expect(page.getByText('2 left out', { exact: false })).toHaveCount(0)
  })

  await test.step('the span is moved by its handle, and said in the sentence', async () => {
    await reach(page, /Last period analysed/)
    await page.keyboard.press('PageDown')
    await expect(page.locator('[data-word=span]')).toHaveText(
      '108 months from Jan 2016 to Dec 2024',
    )
    await page.keyboard.press('6')
    await expect(page.locator('[data-row="beside:came"] [data-t="109"]')).toHaveText('26.2')
    await expect(page.locator('[data-row="beside:came-error"] [data-t="109"]')).toHaveText('−0.6')
    await expect(page.getByRole('heading', { name: /^What came after Dec 2024/ })).toBeVisible()
    await page.keyboard.press('3')
    await reach(page, /Last period analysed/)
    await page.keyboard.press('PageUp')
    await expect(page.locator('[data-word=span]')).toHaveText('all 120 months')
  })

  await test.step('fold, pin, compare, terms, shortcuts', async () => {
    await page.keyboard.press('f')
    await expect(page.getByRole('table', { name: /by year and season/ })).toBeVisible()
    await page.keyboard.press('f')
    await page.keyboard.press('p')
    await page.keyboard.press('c')
    const fit = page
      .getByRole('region', { name: 'Methods side by side' })
      .getByRole('row', { name: /^Fit / })
    await expect(fit).toContainText('Jun 2024')
    await page.keyboard.press('ArrowRight')
    await expect(fit).toContainText(/Jul 2024.*sales [\d.]+, fit [\d.]+/)
    await page.keyboard.press('c')
    await reach(page, /^button Help$/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'Terms', exact: true })).toBeVisible()
    await reach(page, /^button Terms$/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog', { name: 'Terms' })).toBeVisible()
    await page.keyboard.press('Escape')
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeVisible()
    await page.keyboard.press('Escape')
  })
  await expectSaved(page)
})

test('a study opens on all of its series; what is typed and refused stays, with what is asked for', async ({
  page,
}) => {
  // A value that is a third of what it should be asks for care.
  await bringIn(page, 'first.csv', monthlyCsv('First', 238).replace(/1985-03,.*/, '1985-03,400'))
  const path = page.getByRole('navigation', { name: 'Path' })
  const working = page.getByRole('complementary', { name: 'Working' })

  await test.step('at Look, the whole series and its forecast', async () => {
    await expect(path.locator('[aria-current=step]')).toContainText('Look')
    // From January 1980 to the forecast of 2000.
    await expect(page.locator('.axis-row')).toContainText('1980')
    await expect(page.locator('.axis-row')).toContainText('2000')
  })

  await test.step('what asks for care is gone to by key, and by what the path says of it', async () => {
    await page.keyboard.press('n')
    const lit = working.locator('li.lit')
    await expect(lit).toBeFocused()
    await page.keyboard.press('w')
    await expect(working).toBeFocused()
    await path.getByRole('button', { name: /to look at, at Look/ }).click()
    await expect(lit).toContainText('Mar 1985, 400 pieces')
    for (const [key, area] of [
      ['s', 'sentence'],
      ['j', 'path'],
      ['l', 'ledger'],
    ] as const) {
      await page.keyboard.press(key)
      await expect(page.locator(`[data-area=${area}] :focus`)).toHaveCount(1)
    }
  })

  await test.step('a figure out of its bounds stays as it was typed, with its bounds', async () => {
    await page.locator('[data-word=horizon]').click()
    const field = page.getByRole('spinbutton', { name: 'project', exact: true })
    await field.fill('0')
    await page.keyboard.press('Tab')
    await expect(page.getByRole('alert')).toContainText(/a whole number from 1 to/)
    await expect(field).toHaveValue('0')
    await field.press('Escape')
    await expect(page.getByRole('alert')).toHaveCount(0)
    await expect(field).toHaveValue('12')
    await page.keyboard.press('Escape')
  })
})

test('the tour is offered once, shows five things, and can be skipped', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Primer', exact: true }).click()
  await page.getByRole('button', { name: 'Show me' }).click()
  for (const title of ['The sentence', 'Every figure', 'Fold', 'Pin']) {
    await expect(page.getByRole('heading', { name: new RegExp(`^${title}`) })).toBeVisible()
    await page.getByRole('button', { name: 'Next' }).click()
  }
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing is lost' })).toBeHidden()
  await page.reload()
  await expect(page.getByRole('grid')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Show me' })).toHaveCount(0)
})

test('figures are written as the reader chooses, on every page', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Exterior paint', exact: true }).click()
  await expect(page.getByRole('grid')).toBeVisible()
  await page.keyboard.press('3')
  // The Bench stands as it was left, zoomed out: the latest periods are wide enough for figures.
  await page.getByRole('button', { name: 'latest periods' }).click()
  await expect(page.locator('[data-row=value] .cell').last()).toHaveText('33.8')
  await page.getByRole('button', { name: 'Help' }).click()
  await page.getByLabel('Figures and dates').first().click({ force: true })
  await page.getByRole('option', { name: '1.234,5' }).click()
  await expect(page.locator('[data-row=value] .cell').last()).toHaveText('33,8')
  await page.goto('/')
  await expect(page.locator('tr.series', { hasText: 'Exterior paint' }).first()).toContainText(
    /\d\d\.\d{3}/,
  )
})
