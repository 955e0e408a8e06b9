import { getRouterParams, setResponseHeader } from 'h3'
import { seriesIdParams } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { findFile } from '../../../files/fileStore'
import { bytesRoute } from '../../../http/apiRoute'
import { check } from '../../../http/check'
import { asDownload } from '../../../http/download'
import { problem } from '../../../http/problem'

/** A file as it was brought in. */
export default bytesRoute((event) => {
  const { id } = check(seriesIdParams, getRouterParams(event), 404)
  const file = findFile(database(), id)
  if (!file) throw problem(404, 'This file is not there.')
  asDownload(event, file.name, 'application/octet-stream')
  setResponseHeader(event, 'content-encoding', 'gzip')
  return file.packed
})
