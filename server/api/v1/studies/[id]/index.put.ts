import { seriesIdParams } from '../../../../../shared/api/series'
import { studySchema } from '../../../../../shared/api/studies'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { bodyOf } from '../../../../work/bodyOf'
import { refreshLater } from '../../../../work/refreshLater'
import { problem } from '../../../../http/problem'
import { saveStudy } from '../../../../studies/studyStore'

/** Saves a method over the version it started from; a stale one is answered with the stored copy. */
export default apiRoute(
  { params: seriesIdParams, body: bodyOf('study'), answer: studySchema },
  ({ params, body }) => {
    const outcome = saveStudy(database(), params.id, body)
    switch (outcome.kind) {
      case 'saved':
        if (body.adjustments || body.vintageId) void refreshLater([outcome.study.seriesId])
        return outcome.study
      case 'stale':
        throw problem(
          409,
          `This study was saved elsewhere as version ${outcome.current.version}; yours started from version ${body.version}.`,
          { current: outcome.current },
        )
      case 'gone':
        throw problem(404, 'This study is not there; its series may have been deleted.')
    }
  },
)
