import { inWorker, TookTooLong } from './pool'
import type { Tasks } from './tasks'

/** Bytes of a request that is expected to be answered at once: a series of half a century of months, with any method. */
const SMALL = 16 * 1024
/** Milliseconds after which it was no such one: it is begun anew among those that take long. */
const AT_ONCE = 1000

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
export async function calculate(
  until: AbortSignal,
  name: Calculation,
  body: Uint8Array,
): Promise<Uint8Array> {
  if (body.length <= SMALL) {
    try {
      return await inWorker({ lane: 'short', until, most: AT_ONCE }, name, body)
    } catch (error) {
      if (!(error instanceof TookTooLong)) throw error
    }
  }
  return inWorker({ until }, name, body)
}
