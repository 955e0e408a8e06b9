import { z } from 'zod'
import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { addStudy, MOST_STUDIES } from '../../../../studies/seriesStudies'
import { bodyOf } from '../../../../work/bodyOf'

/** Adds a study to a series, behind those that it has. */
export default apiRoute(
  {
    params: seriesIdParams,
    body: bodyOf('newStudy'),
    answer: z.strictObject({ id: z.uuid() }),
    status: 201,
  },
  ({ params, body }) => {
    const outcome = addStudy(database(), params.id, body)
    switch (outcome.kind) {
      case 'added':
        return { id: outcome.id }
      case 'gone':
        throw problem(404, 'This series is not there.')
      case 'full':
        throw problem(422, `A series has ${MOST_STUDIES} studies at the most. Delete one first.`)
    }
  },
)
