import { api } from '~/api/client'
import { completeMethod } from '~~/core/completeMethod'
import type { MethodDocument } from '~~/core/method'
import { orNull, Refusal } from '~~/core/refusal'
import { methodSentence } from '~~/core/sentence/sentence'
import { wordsApart } from '~~/core/sentence/wordsApart'
import type { Series } from '~~/core/series/series'
import type { Piece } from '~~/core/word'
import type { ShelfRow } from '~~/shared/api/series'
import type { Study } from '~~/shared/api/studies'
import { seriesFromDocument } from '~~/shared/seriesSchema'

/** What a method would do to a series of the shelf. */
export interface Applied {
  readonly row: Pick<ShelfRow, 'id' | 'name' | 'studyId'>
  readonly study: Study
  /** Words that change, as they are and as they would be; null where nothing would. */
  readonly change: { readonly from: string; readonly to: string } | null
  /** Why the method is refused; null where it is not. */
  readonly refused: string | null
}

/** What a method would do to a series, before it is done. */
export async function applied(row: Applied['row'], method: MethodDocument): Promise<Applied> {
  const study = await api<Study>(`/studies/${row.studyId}`)
  const series = seriesFromDocument(study.series)
  const before = orNull(() => sentenceOf(series, study.method as MethodDocument)) ?? []
  try {
    const [from, to] = wordsApart([before, sentenceOf(series, method)])
    return { row, study, change: from || to ? { from: from!, to: to! } : null, refused: null }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { row, study, change: null, refused: error.because }
  }
}

function sentenceOf(series: Series, method: MethodDocument): readonly Piece[] {
  return methodSentence(completeMethod(method, series), series)
}

/** A saved study that can be taken back to what it was. */
export interface Taken {
  readonly saved: Study
  readonly before: MethodDocument
}

/** Saves the method with a study, over the version that was looked at. @throws ApiProblem where it was changed since */
export async function take(
  { study }: Pick<Applied, 'study'>,
  method: MethodDocument,
): Promise<Taken> {
  const before = study.method as MethodDocument
  return { saved: await save(study, method), before }
}

export function takeBack({ saved, before }: Taken): Promise<Study> {
  return save(saved, before)
}

function save({ id, version }: Study, method: MethodDocument): Promise<Study> {
  return api<Study>(`/studies/${id}`, { method: 'PUT', body: { method, version } })
}
