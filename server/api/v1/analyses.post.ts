import { z } from 'zod'
import { analyse } from '../../../core/analyse'
import { RESULT_FORMAT, type Result } from '../../../core/result'
import { analysisRequestSchema } from '../../../shared/api/studies'
import { seriesFromDocument } from '../../../shared/seriesSchema'
import { apiRoute } from '../../http/apiRoute'

const resultSchema = z.custom<Result>(
  (value) => (value as Partial<Result> | null)?.format === RESULT_FORMAT,
)

/** Runs a method on a series, for scripts; nothing is kept. */
export default apiRoute({ body: analysisRequestSchema, answer: resultSchema }, ({ body }) =>
  analyse(seriesFromDocument(body.series), body.method),
)
