import { api } from '~/api/client'
import type { KeepRequest, KeptDocument, KeptRow } from '~~/shared/api/kept'

/** Kept forecasts of one series, or of all, with how they did: the worst first. */
export async function fetchKept(seriesId?: string): Promise<readonly KeptRow[]> {
  const of = seriesId === undefined ? '' : `?series=${encodeURIComponent(seriesId)}`
  return (await api<{ kept: KeptRow[] }>(`/kept${of}`)).kept
}

export function fetchKeptForecast(id: string): Promise<KeptDocument> {
  return api<KeptDocument>(`/kept/${encodeURIComponent(id)}`)
}

/** Keeps the forecast of a method on a series as the server has it. */
export function keepForecast(seriesId: string, request: KeepRequest): Promise<KeptDocument> {
  return api<KeptDocument>(`/series/${seriesId}/kept`, { method: 'POST', body: request })
}

/** Calls a kept forecast of a series the agreed one; null for none. */
export async function agreeOn(seriesId: string, keptId: string | null): Promise<void> {
  await api(`/series/${seriesId}/agreed`, { method: 'PUT', body: { keptId } })
}
