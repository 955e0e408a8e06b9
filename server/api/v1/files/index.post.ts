import { getQuery, setResponseStatus } from 'h3'
import { z } from 'zod'
import { database } from '../../../database/current'
import { keepFile } from '../../../files/fileStore'
import { bytesRoute, check } from '../../../http/apiRoute'
import { readBytes } from '../../../http/body'
import { problem } from '../../../http/problem'

/** As large as what intake reads, and a little for the packing. */
const MOST_BYTES = 110 * 1024 * 1024
const query = z.strictObject({ name: z.string().min(1).max(1000) })

/** Keeps a file as it was brought in; the body is the file, packed by gzip. */
export default bytesRoute(async (event) => {
  const { name } = check(query, getQuery(event), 400)
  const packed = await readBytes(event, MOST_BYTES, 'Split the file.')
  if (packed[0] !== 0x1f || packed[1] !== 0x8b) {
    throw problem(400, 'The body must be the file, packed by gzip.')
  }
  setResponseStatus(event, 201)
  return { id: keepFile(database(), name, packed) }
})
