import type { z } from 'zod'
import { Refusal } from '../core/refusal'

/**
 * Reads a document by its schema.
 *
 * @throws Refusal with the path of the first thing that does not fit, `decompose.model`, and what
 *   would fit there
 */
export function parseDocument<T>(schema: z.ZodType<T>, document: unknown): T {
  const read = schema.safeParse(document, { error: unknownKeyWords })
  if (read.success) return read.data
  const issue = read.error.issues[0]!
  const unknown = issue.code === 'unrecognized_keys' ? [issue.keys[0]!] : []
  const path = [...issue.path, ...unknown].join('.')
  const because = `${issue.message}.`.replace(/\.\.$/, '.')
  throw new Refusal(`${path ? `${path}: ` : ''}${because}`, path || 'document')
}

/** What is said of a key that no part of a document knows. */
function unknownKeyWords(issue: z.core.$ZodRawIssue): string | undefined {
  return issue.code === 'unrecognized_keys'
    ? `"${issue.keys[0]}" is not a key of this document.`
    : undefined
}
