import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { renameStudy } from '../../../../studies/seriesStudies'
import { bodyOf } from '../../../../work/bodyOf'

/** Gives a study another name. */
export default apiRoute(
  { params: seriesIdParams, body: bodyOf('renameStudy') },
  ({ params, body }) => {
    if (!renameStudy(database(), params.id, body.name)) {
      throw problem(404, 'This study is not there.')
    }
  },
)
