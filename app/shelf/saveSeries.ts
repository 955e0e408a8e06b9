import { ApiProblem } from '~/api/client'
import { saveBlob } from '~/shell/takeAway'
import type { Problem } from '~~/shared/api/problem'
import type { ExportKind } from '~~/shared/api/series'

/**
 * Fetches series with their adjustments as one file and hands it to the browser.
 *
 * @param stopped told that it is no longer wanted; nothing is saved then
 * @throws ApiProblem when the server refuses
 */
export async function saveSeries(
  ids: readonly string[],
  as: ExportKind,
  stopped: AbortSignal,
): Promise<void> {
  const response = await fetch('/api/v1/series/export', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ids, as }),
    signal: stopped,
  })
  if (!response.ok) throw new ApiProblem((await response.json()) as Problem)
  const stated = response.headers.get('content-disposition') ?? ''
  const name = /filename\*=UTF-8''(.+)$/.exec(stated)?.[1] ?? 'series'
  saveBlob(await response.blob(), decodeURIComponent(name))
}
