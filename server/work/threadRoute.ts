import { setResponseHeader } from 'h3'
import { databasePath } from '../database/current'
import { bytesRoute } from '../http/apiRoute'
import { readJsonBytes } from '../http/body'
import { whenGone } from '../http/whenGone'
import { inWorker } from './pool'

/** A route that a thread answers from the series that its body names; nothing is kept. */
export function threadRoute(task: 'addUp' | 'groupSeason') {
  return bytesRoute(async (event) => {
    const body = await readJsonBytes(event)
    const answer = await inWorker({ until: whenGone(event) }, task, databasePath(), body)
    setResponseHeader(event, 'content-type', 'application/json')
    return Buffer.from(answer)
  })
}
