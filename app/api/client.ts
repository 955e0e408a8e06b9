import { isKeyNeeded } from './keyNeeded'
import type { Problem } from '~~/shared/api/problem'

/** An answer of the server that is no success, with its problem details. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
}

/**
 * Asks the server.
 *
 * @param path below `/api/v1`
 * @param request method and JSON body; `keepalive` lets a last save outlive the page, `until` says when nobody waits any more
 * @throws ApiProblem for a refusal, and for a server that cannot be reached (status 0)
 */
export async function api<Answer>(
  path: string,
  request: { method?: string; body?: unknown; keepalive?: boolean; until?: AbortSignal } = {},
): Promise<Answer> {
  const { method = 'GET', body, keepalive = false, until } = request
  let response: Response
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      keepalive,
      ...(until ? { signal: until } : {}),
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
  } catch {
    throw new ApiProblem({
      type: 'about:blank',
      title: 'No answer',
      status: 0,
      detail: 'The server does not answer. Is it still running?',
    })
  }
  if (response.status === 204) return undefined as Answer
  const answer: unknown = await response.json()
  if (response.status === 401) isKeyNeeded.value = true
  if (!response.ok) throw new ApiProblem(answer as Problem)
  return answer as Answer
}
