import { deskSchema } from '../../../../../shared/api/desk'
import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { findDesk } from '../../../../studies/deskStore'

/** What lies on the Bench beside a study: the steps of undo, and how it was left. */
export default apiRoute({ params: seriesIdParams, answer: deskSchema }, ({ params }) => {
  const desk = findDesk(database(), params.id)
  if (!desk) throw problem(404, 'This study is not there; its series may have been deleted.')
  return desk
})
