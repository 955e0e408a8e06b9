import { expectNoSeriousViolation } from './axe'
import { expect, test } from './ownServer'
import { chooseWord, openSeries } from './support'

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
