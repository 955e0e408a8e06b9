import { openApi } from '../../../shared/openApi'
import { bytesRoute } from '../../http/apiRoute'

let document: ReturnType<typeof openApi> | null = null

/** The HTTP interface, described for programs: OpenAPI 3.1. */
export default bytesRoute(() => (document ??= openApi()))
