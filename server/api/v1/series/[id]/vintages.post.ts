import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { bodyOf } from '../../../../work/bodyOf'
import { workAgain } from '../../../../work/catalogueRun'
import { refreshLater } from '../../../../work/refreshLater'
import { problem } from '../../../../http/problem'
import { addVintage } from '../../../../shelf/addVintage'

/** Brings a series up to date with new values; the earlier ones stay readable. */
export default apiRoute({ params: seriesIdParams, body: bodyOf('update') }, ({ params, body }) => {
  if (!addVintage(database(), params.id, body)) throw problem(404, 'This series is not there.')
  void refreshLater([params.id])
  workAgain([params.id])
})
