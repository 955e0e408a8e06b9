import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { expect, test } from './ownServer'
import { bringIn, choose, chooseWord, expectSaved, monthlyCsv } from './support'

async function download(page: Page, button: string): Promise<{ name: string; path: string }> {
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: button, exact: true }).click()
  const file = await coming
  return { name: file.suggestedFilename(), path: await file.path() }
}

async function selectAll(page: Page, names: readonly string[]): Promise<void> {
  for (const name of names) await page.getByLabel(`Select ${name}`, { exact: true }).check()
}

test('several series are grouped, deleted together, and brought back from the trash', async ({
  page,
}) => {
  const csv = ['month,Left wing,Right wing', '2021-01,1,2', '2021-02,3,4'].join('\n')
  await bringIn(page, 'wings.csv', csv)
  await expect(page.getByRole('link', { name: 'Left wing' })).toBeVisible()
  await page.getByRole('searchbox').fill('wing')
  await selectAll(page, ['Left wing', 'Right wing'])
  await page.getByRole('button', { name: 'Put into a group' }).click()
  await page.getByRole('combobox', { name: 'Group' }).last().fill('Wings')
  await page.getByRole('button', { name: 'Put there' }).click()
  await expect(page.getByRole('cell', { name: 'Wings' })).toHaveCount(2)
  await page.getByRole('searchbox').fill('')
  await choose(page, 'Group', 'Wings')
  await expect(page.locator('tr.series')).toHaveCount(2)

  await selectAll(page, ['Left wing', 'Right wing'])
  await page.getByRole('toolbar').getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByText('2 series were deleted')).toBeVisible()
  await page.getByRole('link', { name: 'Trash' }).click()
  await page.getByRole('button', { name: 'Bring Left wing back' }).click()
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await expect(page.getByRole('link', { name: 'Left wing' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Right wing' })).toHaveCount(0)

  // What is left in the trash can be deleted for good, once that is meant.
  await page.getByRole('link', { name: 'Trash' }).click()
  await page.getByRole('button', { name: 'Delete all for good' }).click()
  const asked = page.getByRole('dialog', { name: 'Delete 1 series for good?' })
  await asked.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Right wing')).toBeVisible()
  await page.getByRole('button', { name: 'Delete all for good' }).click()
  await asked.getByRole('button', { name: 'Delete for good' }).click()
  await expect(page.getByText('Nothing was deleted.')).toBeVisible()
})

test('a method from the Bench is applied to other series, what changes is said, and undone', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Wood stain', exact: true }).click()
  await chooseWord(page, 'trend', 'a smoothed level')
  await page.getByRole('button', { name: 'Hand over' }).click()
  const saved = await download(page, 'Save the method as a file')
  await expectSaved(page)

  await page.goto('/')
  await selectAll(page, ['Interior paint', 'Wood stain', 'Primer'])
  await page.locator('.selection input[type=file]').setInputFiles(saved.path)
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('1 has it already')
  await expect(dialog.getByRole('row', { name: /^Interior paint/ })).toContainText(
    'a smoothed level',
  )
  await dialog.getByRole('button', { name: /^Apply to 2/ }).click()
  await expect(page.getByText('2 series have the method now.')).toBeVisible()
  const methodOf = async () => {
    const shelf = await (await page.request.get('/api/v1/series')).json()
    const { series } = shelf as { series: { name: string; studyId: string }[] }
    const { studyId } = series.find(({ name }) => name === 'Interior paint')!
    const study = await (await page.request.get(`/api/v1/studies/${studyId}`)).json()
    return (study as { method: { trend?: { form?: string } } }).method
  }
  expect((await methodOf()).trend?.form).toBe('smoothed')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(async () => expect((await methodOf()).trend?.form).not.toBe('smoothed')).toPass()
})

test('what is saved is read back equal', async ({ page }) => {
  const name = 'Röund "trip", =1+1'
  const csv = `month;"${name.replaceAll('"', '""')} (l)";Beside\n2021-01;1.5;7\n2021-02;;8\n2021-03;-3.25;9`
  await bringIn(page, 'round.csv', csv)
  await page.getByRole('searchbox').fill('2021')
  await page.getByRole('searchbox').fill('')
  await selectAll(page, [name, 'Beside'])
  const files = [
    await download(page, 'CSV'),
    await download(page, 'XLSX'),
    await download(page, 'data package'),
  ]
  for (const { name: fileName, path } of files) {
    await test.step(fileName, async () => {
      await page.goto('/intake')
      await page.locator('input[type=file]').setInputFiles({
        name: fileName,
        mimeType: 'application/octet-stream',
        buffer: readFileSync(path),
      })
      await expect(page.getByLabel('name').first()).toHaveValue(name)
      await expect(page.getByLabel('unit', { exact: true }).first()).toHaveValue('l')
      await expect(
        page.getByText('monthly, Jan 2021 – Mar 2021, 3 months, 1 missing'),
      ).toBeVisible()
      await expect(page.getByText('The values are the same.')).toHaveCount(2)
    })
  }
})

test('a newer file brings a series up to date, and the earlier values stay', async ({ page }) => {
  const lines = monthlyCsv('Monthly news', 40).split('\n')
  await bringIn(page, 'news.csv', lines.join('\n'))
  await expect(page).toHaveURL(/study/)
  const study = page.url()
  const newer = [...lines.with(40, '1983-04,999').filter((_, i) => i !== 1), '1983-05,1234']
  await page.goto('/intake')
  await page.locator('input[type=file]').setInputFiles({
    name: 'newer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(newer.join('\n')),
  })
  await expect(page.getByText('1 new: May 1983.')).toBeVisible()
  await expect(page.getByText('1 revised')).toBeVisible()
  await expect(page.getByText('1 no longer there')).toBeVisible()
  await expect(page.getByText('Jan 1980; they stay as they are.')).toBeVisible()
  await expect(page.getByRole('row', { name: /Apr 1983/ })).toContainText('999')
  await page.getByRole('checkbox', { name: 'drop the 1 that this file no longer has' }).check()
  await expect(page.getByText('Jan 1980; they are dropped.')).toBeVisible()
  await page.getByRole('checkbox', { name: 'drop the 1 that this file no longer has' }).uncheck()
  await page.getByRole('button', { name: 'Keep and bring it up to date' }).click()
  await expect(page).toHaveURL(study)
  await expect(page.getByText('Jan 1980 – May 1983')).toBeVisible()
  // Undo goes back over what was brought up to date, as over any change.
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByText('Jan 1980 – Apr 1983')).toBeVisible()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByText('Jan 1980 – Apr 1983')).toBeVisible()
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(page.getByText('Jan 1980 – May 1983')).toBeVisible()
  await page.getByRole('button', { name: 'Monthly news' }).click()
  await expect(page.locator('.vintages li')).toHaveCount(2)
  const coming = page.waitForEvent('download')
  await page.locator('.vintages a').last().click()
  const original = await coming
  expect(readFileSync(await original.path(), 'utf8')).toBe(lines.join('\n'))
  const vintage = page.waitForEvent('download')
  await page.getByRole('button', { name: 'save as CSV' }).last().click()
  expect(readFileSync(await (await vintage).path(), 'utf8')).toContain('1980-01,1000')

  // The values from before can be had back, and that taken back too.
  await page.getByRole('button', { name: 'bring back' }).click()
  await expect(page.getByText('Jan 1980 – Apr 1983')).toBeVisible()
  await page.locator('.v-snackbar').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Jan 1980 – May 1983')).toBeVisible()
})

test('a damaged or foreign file is no backup, and harms nothing', async ({ page }) => {
  await page.goto('/')
  const folder = mkdtempSync(join(tmpdir(), 'elvant-backup-'))
  const bad = join(folder, 'bad.backup')
  writeFileSync(bad, 'SQLite format 3\0 but not really')
  await page.getByRole('button', { name: 'Backup' }).click()
  await page.locator('.sheet input[type=file]').setInputFiles(bad)
  await page.getByRole('button', { name: 'Restore' }).click()
  await expect(page.getByText('no backup of Elvant, or only a part of one')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('link', { name: 'Exterior paint', exact: true })).toBeVisible()
})
