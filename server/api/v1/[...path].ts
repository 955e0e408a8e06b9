import { apiRoute } from '../../http/apiRoute'
import { problem } from '../../http/problem'

/** Any address of the API that no route answers. */
export default apiRoute({}, () => {
  throw problem(404, 'There is nothing under this address.')
})
