import { z } from 'zod'
import { analyse } from '../../../core/analyse'
import { RESULT_FORMAT } from '../../../core/result'
import { analysisRequestSchema } from '../../../shared/api/studies'
import { documentOf, type ResultDocument } from '../../../shared/resultDocument'
import { seriesFromDocument } from '../../../shared/seriesSchema'
import { apiRoute } from '../../http/apiRoute'

const resultSchema = z.custom<ResultDocument>(
  (value) => (value as Partial<ResultDocument> | null)?.format === RESULT_FORMAT,
)

/** Runs a method on a series, for scripts; nothing is kept. */
export default apiRoute({ body: analysisRequestSchema, answer: resultSchema }, ({ body }) =>
  documentOf(analyse(seriesFromDocument(body.series), body.method)),
)
