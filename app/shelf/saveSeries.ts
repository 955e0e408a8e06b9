import { ApiProblem } from '~/api/client'
import { locale } from '~/figures/locale'
import { formatDay } from '~/figures/format'
import { saveBlob } from '~/shell/takeAway'
import type { Length } from '~~/handover/report/choices'
import type { Problem } from '~~/shared/api/problem'
import type { ExportKind } from '~~/shared/api/series'

/**
 * What series are saved as: a file of their values, or of their forecasts as they were last worked through; or a report of a length on
 * their studies, which says why to look at each where it is on those alone.
 */
export type SaveAs =
  | { readonly values: ExportKind }
  | { readonly forecasts: ExportKind }
  | { readonly report: Length; readonly reasons?: boolean }

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
  const [path, body] = requestOf(ids, as)
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

function requestOf(ids: readonly string[], as: SaveAs): [string, object] {
  if ('values' in as) return ['series/export', { ids, as: as.values }]
  if ('forecasts' in as) return ['catalogue/export', { ids, as: as.forecasts }]
  const { report: length, reasons = false } = as
  const told = { locale: locale.value, date: formatDay(Date.now()) }
  return ['reports', { ids, length, reasons, ...told }]
}
