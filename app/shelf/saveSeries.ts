import { ApiProblem } from '~/api/client'
import { locale } from '~/figures/locale'
import { formatDay } from '~/figures/format'
import { saveBlob } from '~/shell/takeAway'
import type { Length } from '~~/handover/report/choices'
import type { Problem } from '~~/shared/api/problem'
import type { ExportKind } from '~~/shared/api/series'

/** What series are saved as: a file of their values, or a report of a length on their studies. */
export type SaveAs = { readonly values: ExportKind } | { readonly report: Length }

/**
 * Fetches series as one file and hands it to the browser.
 *
 * @param stopped told that it is no longer wanted; nothing is saved then
 * @throws ApiProblem when the server refuses
 */
export async function saveSeries(
  ids: readonly string[],
  as: SaveAs,
  stopped: AbortSignal,
): Promise<void> {
  const [path, body] =
    'values' in as
      ? ['series/export', { ids, as: as.values }]
      : ['reports', { ids, length: as.report, locale: locale.value, date: formatDay(Date.now()) }]
  const response = await fetch(`/api/v1/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: stopped,
  })
  if (!response.ok) throw new ApiProblem((await response.json()) as Problem)
  const stated = response.headers.get('content-disposition') ?? ''
  const name = /filename\*=UTF-8''(.+)$/.exec(stated)?.[1] ?? 'series'
  saveBlob(await response.blob(), decodeURIComponent(name))
}
