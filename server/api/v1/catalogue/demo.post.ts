import { setResponseStatus } from 'h3'
import { writtenElsewhere } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { inWorker } from '../../../work/pool'

/** Puts 2,000 invented articles on the shelf, to try the work over many series with. */
export default bytesRoute(async (event) => {
  const count = await writtenElsewhere((path) =>
    inWorker({ lane: 'kept' }, 'keepDemoCatalogue', path),
  )
  setResponseStatus(event, 201)
  return { count }
})
