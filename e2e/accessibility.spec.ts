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
