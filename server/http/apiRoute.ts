import {
  defineEventHandler,
  getQuery,
  getRouterParams,
  setResponseHeader,
  setResponseStatus,
} from 'h3'
import type { H3Event } from 'h3'
import type { z } from 'zod'
import { Refusal } from '../../core/refusal'
import { causeOf } from '../database/cause'
import { readOnly, requireDatabasePresent } from '../database/current'
import { whenFree } from '../database/whenFree'
import { log } from './log'
import { check } from './check'
import { HttpProblem, pointerTo, problem } from './problem'

/** What a route takes and gives. What is not named is not read. */
interface Shape<Params, Query, Body, Answer> {
  readonly params?: z.ZodType<Params>
  readonly query?: z.ZodType<Query>
  /** Reads and checks the body: see {@link bodyOf}. */
  readonly body?: (event: H3Event) => Promise<Body>
  /** Left out for a route that answers with nothing. */
  readonly answer?: z.ZodType<Answer>
  /** Status of a good answer; 200 when left out, 204 without an answer. */
  readonly status?: number
}

/**
 * A route whose input and output are checked by their schemas, and whose failures are all answered
 * as problem details: bad input is never a 500.
 *
 * @param shape schemas of what comes in and goes out
 * @param handle does the work; may throw a {@link Refusal} or an {@link HttpProblem}
 */
export function apiRoute<Params = unknown, Query = unknown, Body = unknown, Answer = void>(
  shape: Shape<Params, Query, Body, Answer>,
  handle: (input: { params: Params; query: Query; body: Body }) => Answer | Promise<Answer>,
) {
  return bytesRoute(async (event) => {
    const params = check(shape.params, getRouterParams(event), 404)
    const query = check(shape.query, getQuery(event), 400)
    const body = shape.body ? await shape.body(event) : (undefined as Body)
    const answer = await whenFree(() => handle({ params, query, body }))
    setResponseStatus(event, shape.status ?? (shape.answer ? 200 : 204))
    return shape.answer ? shape.answer.parse(answer) : null
  })
}

/** A route that takes or gives bytes; its failures are answered as problem details too. */
export function bytesRoute(handle: (event: H3Event) => unknown) {
  return defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      const answer = await handle(event)
      // What was written to a file that nobody can open any more is not kept.
      if (event.method !== 'GET') requireDatabasePresent()
      return answer
    } catch (error) {
      return answerProblem(event, asProblem(error, event))
    }
  })
}

/** Answers with problem details. */
export function answerProblem(event: H3Event, { problem: details }: HttpProblem) {
  setResponseStatus(event, details.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return JSON.stringify(details)
}

function asProblem(error: unknown, event: H3Event): HttpProblem {
  if (error instanceof HttpProblem) return error
  if (error instanceof Refusal) {
    return problem(422, error.because, { pointer: pointerTo(error.where.split('.')) })
  }
  const cause = causeOf(error)
  if (cause !== null) {
    log.warn({ err: error, method: event.method, path: event.path }, 'not written')
    const found = readOnly()
    return problem(507, found ? `${found.says}: nothing was changed. ${found.helps}` : cause)
  }
  log.error({ err: error, method: event.method, path: event.path }, 'request failed')
  return problem(500, 'Something went wrong inside Elvant. The details are in its log.')
}
