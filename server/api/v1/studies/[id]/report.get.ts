import { reportChoicesSchema } from '../../../../../shared/api/report'
import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { findReport } from '../../../../studies/reportStore'

/** What was chosen for the report of a study, and written into it. */
export default apiRoute({ params: seriesIdParams, answer: reportChoicesSchema }, ({ params }) => {
  const choices = findReport(database(), params.id)
  if (!choices) throw problem(404, 'This study is not there; its series may have been deleted.')
  return choices
})
