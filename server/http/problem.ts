import type { Problem } from '../../shared/api/problem'

/** A failure that is answered as problem details. */
export class HttpProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
}

const TITLES: Record<number, string> = {
  400: 'Not understood',
  401: 'Key needed',
  403: 'Not allowed',
  404: 'Not found',
  405: 'Not possible here',
  409: 'Changed in the meantime',
  413: 'Too large',
  422: 'Refused',
  500: 'A defect in Elvant',
  503: 'Stopped',
  507: 'Not written',
}

/**
 * Problem details for a status.
 *
 * @param detail what is wrong and what to do
 * @param more pointer to the field, the stored copy
 */
export function problem(
  status: number,
  detail: string,
  more: Pick<Problem, 'pointer' | 'current'> = {},
): HttpProblem {
  const title = TITLES[status] ?? 'Failed'
  return new HttpProblem({ type: 'about:blank', title, status, detail, ...more })
}

/** The JSON pointer to a place in a body: `decompose.model` is `/decompose/model`. */
export function pointerTo(path: readonly PropertyKey[]): string {
  return path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('')
}
