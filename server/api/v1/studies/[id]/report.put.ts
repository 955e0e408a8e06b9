import { reportChoicesSchema } from '../../../../../shared/api/report'
import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { keepReport } from '../../../../studies/reportStore'
import { bodyOf } from '../../../../work/bodyOf'

/** Keeps what was chosen for the report of a study, in the place of what was before. */
export default apiRoute(
  { params: seriesIdParams, body: bodyOf('report'), answer: reportChoicesSchema },
  ({ params, body }) => {
    if (!keepReport(database(), params.id, body)) {
      throw problem(404, 'This study is not there; its series may have been deleted.')
    }
    return body
  },
)
