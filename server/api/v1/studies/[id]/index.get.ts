import { seriesIdParams } from '../../../../../shared/api/series'
import { studySchema } from '../../../../../shared/api/studies'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { requireBegun } from '../../../../work/beginLater'
import { requireFresh } from '../../../../work/refreshLater'
import { findStudy } from '../../../../studies/studyStore'

/** A study with its series. */
export default apiRoute({ params: seriesIdParams, answer: studySchema }, async ({ params }) => {
  await requireBegun(params.id)
  await requireFresh(params.id)
  const study = findStudy(database(), params.id)
  if (!study) throw problem(404, 'This study is not there; its series may have been deleted.')
  return study
})
