import { inWorker, inWorkerSoon } from './pool'
import type { Tasks } from './tasks'

/** Bytes of a request that is expected to be answered at once: a series of half a century of months, with any method. */
const SMALL = 16 * 1024

/** Tasks that read a request and write an answer, both JSON. */
type Calculation = {
  [Name in keyof Tasks]: Tasks[Name] extends (body: Uint8Array) => Uint8Array ? Name : never
}[keyof Tasks]

/**
 * Calculates beside the server's own thread, small requests on a thread of their own: none waits behind those that take long.
 *
 * @param until when it is still wanted
 * @param body of the request
 */
export function calculate(
  until: AbortSignal,
  name: Calculation,
  body: Uint8Array,
): Promise<Uint8Array> {
  return body.length <= SMALL ? inWorkerSoon(until, name, body) : inWorker({ until }, name, body)
}
