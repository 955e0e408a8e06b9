import type { KeptDocument } from '~~/shared/api/kept'
import type { Study } from '~~/shared/api/studies'

/** A kept forecast as the Bench knows a study: with the series as it was then. */
export function studyOfKept({
  id,
  seriesId,
  seriesThen,
  method,
  createdAt,
  name,
}: KeptDocument): Study {
  const { unit, noun = '', quantity = 'flow' } = seriesThen
  return {
    ...{ id, seriesId, method, updatedAt: createdAt },
    series: seriesThen,
    about: { name: seriesThen.name, unit, noun, quantity, group: '', notes: '' },
    // The values of then are those of no vintage that could be gone back to.
    vintageId: id,
    source: { file: `kept forecast ${name}` },
    version: 1,
  }
}
