import { api } from '~/api/client'
import type { NewStudy, StudyTab } from '~~/shared/api/studies'

/** The studies of a series, in the order of their tabs. */
export async function fetchStudies(seriesId: string): Promise<readonly StudyTab[]> {
  return (await api<{ studies: StudyTab[] }>(`/series/${seriesId}/studies`)).studies
}

/** Adds a study to a series. @returns its id */
export async function addStudy(seriesId: string, study: NewStudy): Promise<string> {
  const added = await api<{ id: string }>(`/series/${seriesId}/studies`, {
    method: 'POST',
    body: study,
  })
  return added.id
}

export async function renameStudy(id: string, name: string): Promise<void> {
  await api(`/studies/${id}`, { method: 'PATCH', body: { name } })
}

export async function deleteStudy(id: string): Promise<void> {
  await api(`/studies/${id}`, { method: 'DELETE' })
}
