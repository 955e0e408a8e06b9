import { getQuery, setResponseStatus } from 'h3'
import { z } from 'zod'
import { lineSchema } from '../../../../shared/seriesSchema'
import { database } from '../../../database/current'
import { keepFile } from '../../../files/fileStore'
import { requireGzip } from '../../../files/requireGzip'
import { bytesRoute } from '../../../http/apiRoute'
import { check } from '../../../http/check'
import { readBytes } from '../../../http/body'

/** As large as what intake reads, and a little for the packing. */
const MOST_BYTES = 110 * 1024 * 1024
const query = z.strictObject({ name: lineSchema.min(1).max(1000) })

/** Keeps a file as it was brought in; the body is the file, packed by gzip. */
export default bytesRoute(async (event) => {
  const { name } = check(query, getQuery(event), 400)
  const packed = await readBytes(event, MOST_BYTES, 'Split the file.')
  await requireGzip(packed)
  setResponseStatus(event, 201)
  return { id: keepFile(database(), name, packed) }
})
