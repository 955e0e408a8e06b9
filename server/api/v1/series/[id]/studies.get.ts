import { seriesIdParams } from '../../../../../shared/api/series'
import { studyTabsSchema } from '../../../../../shared/api/studies'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { listStudies } from '../../../../studies/seriesStudies'

/** The studies of a series, in the order of their tabs. */
export default apiRoute({ params: seriesIdParams, answer: studyTabsSchema }, ({ params }) => {
  const studies = listStudies(database(), params.id)
  if (!studies) throw problem(404, 'This series is not there.')
  return { studies }
})
