import type { z } from 'zod'
import { pointerTo, problem } from './problem'

/** @throws HttpProblem for what a schema does not take, naming the field */
export function check<T>(schema: z.ZodType<T> | undefined, given: unknown, status: number): T {
  if (!schema) return undefined as T
  const read = schema.safeParse(given, { error: unknownKeyWords })
  if (read.success) return read.data
  if (status === 404) throw problem(404, 'There is nothing under this address.')
  const issue = read.error.issues[0]!
  const unknown = issue.code === 'unrecognized_keys' ? issue.keys : []
  const path = [...issue.path, ...unknown.slice(0, 1)]
  const sentence = issue.message.endsWith('.') ? issue.message : `${issue.message}.`
  throw problem(status, path.length > 0 ? `${path.join('.')}: ${sentence}` : sentence, {
    pointer: pointerTo(path),
  })
}

/** What is said of a field that no part of a request knows. */
function unknownKeyWords(issue: z.core.$ZodRawIssue): string | undefined {
  return issue.code === 'unrecognized_keys' ? `"${issue.keys[0]}" is not a field here.` : undefined
}
