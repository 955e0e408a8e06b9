import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { chooseWord, openSeries } from './support'

/** Rectangles may share what a screen cannot show. */
const PIXELS = 1.5

/** Texts that lie over one another, figures of the ledger that do not fit their cells, dots beside no stage. */
function faultsOf(page: Page): Promise<string[]> {
  return page.evaluate((tolerance) => {
    const texts: { node: Node; text: string; box: DOMRect }[] = []
    const walker = document.createTreeWalker(
      document.querySelector('.bench')!,
      NodeFilter.SHOW_TEXT,
    )
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement!
      const text = node.textContent!.trim()
      if (text === '' || parent.closest('.visually-hidden, [aria-hidden=true] .values, title')) {
        continue
      }
      if (!parent.checkVisibility({ opacityProperty: true, visibilityProperty: true })) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const own of range.getClientRects()) {
        let { left, right, top, bottom } = own
        for (let at: HTMLElement | null = parent; at; at = at.parentElement) {
          if (getComputedStyle(at).overflow === 'visible') continue
          const clip = at.getBoundingClientRect()
          left = Math.max(left, clip.left)
          right = Math.min(right, clip.right)
          top = Math.max(top, clip.top)
          bottom = Math.min(bottom, clip.bottom)
        }
        // Lines of one text are taller than its letters.
        const air = (bottom - top) * 0.18
        if (right - left > 1 && bottom - top > 4) {
          texts.push({
            node,
            text,
            box: new DOMRect(left, top + air, right - left, bottom - top - 2 * air),
          })
        }
      }
    }
    const faults: string[] = []
    texts.forEach((a, i) => {
      for (const b of texts.slice(i + 1)) {
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left)
        const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top)
        // What is shortened has a box for its dots as well.
        if (a.node === b.node) continue
        if (across > tolerance && down > tolerance) faults.push(`"${a.text}" lies over "${b.text}"`)
      }
    })
    for (const cell of document.querySelectorAll<HTMLElement>('.ledger .cell')) {
      if (cell.scrollWidth > cell.clientWidth + 1) faults.push(`"${cell.textContent}" is cut`)
    }
    const middle = (element: Element) => {
      const { top, bottom } = element.getBoundingClientRect()
      return (top + bottom) / 2
    }
    for (const stage of document.querySelectorAll('.path .stage')) {
      const name = stage.querySelector('.name')!
      if (Math.abs(middle(stage.querySelector('.dot')!) - middle(name)) > 2)
        faults.push(`the dot of ${name.textContent} does not stand beside it`)
    }
    if (document.documentElement.scrollWidth > innerWidth + 1) {
      faults.push(`the page is ${document.documentElement.scrollWidth} wide on ${innerWidth}`)
    }
    return faults.slice(0, 8)
  }, PIXELS)
}

/** Screens as people have them; 150% and 200% are the first at a larger zoom. */
const SCREENS = [
  { name: '1280', width: 1280, height: 800, zoom: 1 },
  { name: '1920', width: 1920, height: 1080, zoom: 1 },
  { name: '1280 at 150%', width: 853, height: 533, zoom: 1.5 },
  { name: '1280 at 200%', width: 640, height: 400, zoom: 2 },
  { name: '1280 at 50%', width: 2560, height: 1600, zoom: 0.5 },
  { name: '360', width: 360, height: 740, zoom: 1 },
]

for (const { name, width, height, zoom } of SCREENS) {
  test.describe(`at ${name}`, () => {
    test.use({ viewport: { width, height }, deviceScaleFactor: zoom })

    test('no two texts touch, nothing is cut or off the screen', async ({ page }) => {
      await openSeries(page, 'Exterior paint')
      const path = page.getByRole('navigation', { name: 'Path' })
      for (const model of ['multiplicative', 'additive']) {
        await chooseWord(page, 'model', model)
        for (const stage of [
          'Look',
          'Smooth',
          'Season',
          'Deseasonalize',
          'Trend',
          'Project',
          'Check',
        ]) {
          await path.getByRole('button', { name: new RegExp(`^${stage}`) }).click()
          await page.mouse.move(0, 0)
          await expect.poll(() => faultsOf(page), { message: `${stage}, ${model}` }).toEqual([])
        }
      }
      await path.getByRole('button', { name: /^Season/ }).click()
      await page.keyboard.press('f')
      await expect(page.getByRole('table', { name: /by year and season/ })).toBeVisible()
      await expect.poll(() => faultsOf(page), { message: 'folded' }).toEqual([])
      await page.keyboard.press('f')
      await chooseWord(page, 'forecast', 'by regression')
      for (const stage of ['Trend', 'Project']) {
        await path.getByRole('button', { name: new RegExp(`^${stage}`) }).click()
        await page.mouse.move(0, 0)
        await expect.poll(() => faultsOf(page), { message: `${stage}, regression` }).toEqual([])
      }
      await page.keyboard.press('t')
      await expect(page.getByText(/^Nearest[:,] /)).toBeVisible({ timeout: 60_000 })
      await expect.poll(() => faultsOf(page), { message: 'Contest' }).toEqual([])
    })
  })
}
