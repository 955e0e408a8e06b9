import type { H3Event } from 'h3'
import { BODIES, type BodyName, type BodyOf } from '../../shared/api/bodies'
import { inWorker } from './pool'
import { parseJson, readJsonBytes } from '../http/body'
import { check } from '../http/check'

/** Bytes up to which a request is read at once; to read a longer one would hold everyone. */
const SHORT = 256 * 1024

/**
 * Reads and checks the body of a request, a long one on another thread.
 *
 * @param name of what it is made of
 * @throws HttpProblem 400 or 413 saying where it is wrong
 */
export function bodyOf<Name extends BodyName>(name: Name) {
  return async (event: H3Event): Promise<BodyOf<Name>> => {
    const bytes = await readJsonBytes(event)
    return bytes.length > SHORT
      ? ((await inWorker({ lane: 'kept' }, 'readBody', name, bytes)) as BodyOf<Name>)
      : (check<unknown>(BODIES[name], parseJson(bytes), 400) as BodyOf<Name>)
  }
}
