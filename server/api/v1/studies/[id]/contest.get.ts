import { seriesIdParams } from '../../../../../shared/api/series'
import { keptContestSchema } from '../../../../../shared/api/studies'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { findContest } from '../../../../studies/contestStore'

/** The contest that is kept with a study. */
export default apiRoute({ params: seriesIdParams, answer: keptContestSchema }, ({ params }) => {
  const held = findContest(database(), params.id)
  if (held === undefined) {
    throw problem(404, 'This study is not there; its series may have been deleted.')
  }
  return { held }
})
