import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { deleteStudy } from '../../../../studies/seriesStudies'

/** Deletes a study; the one that opens with its series stays. */
export default apiRoute({ params: seriesIdParams }, ({ params }) => {
  if (deleteStudy(database(), params.id)) return
  throw problem(404, 'This study is not there, or is the one that opens with its series.')
})
