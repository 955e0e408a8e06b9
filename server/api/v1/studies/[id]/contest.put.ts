import { seriesIdParams } from '../../../../../shared/api/series'
import { keptContestSchema } from '../../../../../shared/api/studies'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { bodyOf } from '../../../../work/bodyOf'
import { problem } from '../../../../http/problem'
import { keepContest } from '../../../../studies/contestStore'

/** Keeps a contest with a study, in the place of the one before. */
export default apiRoute(
  { params: seriesIdParams, body: bodyOf('contest'), answer: keptContestSchema },
  ({ params, body }) => {
    if (!keepContest(database(), params.id, body)) {
      throw problem(404, 'This study is not there; its series may have been deleted.')
    }
    return { held: body }
  },
)
