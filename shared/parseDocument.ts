import type { z } from 'zod'
import { Refusal } from '../core/refusal'

/**
 * Reads a document by its schema.
 *
 * @throws Refusal with the path of the first thing that does not fit, `decompose.model`, and what
 *   would fit there
 */
export function parseDocument<T>(schema: z.ZodType<T>, document: unknown): T {
  const read = schema.safeParse(document)
  if (read.success) return read.data
  const issue = read.error.issues[0]!
  const unknown = issue.code === 'unrecognized_keys' ? issue.keys[0]! : null
  const path = [...issue.path, ...(unknown === null ? [] : [unknown])].join('.')
  const because =
    unknown === null
      ? `${issue.message}.`.replace('..', '.')
      : `"${unknown}" is not a key of this document.`
  throw new Refusal(`${path ? `${path}: ` : ''}${because}`, path || 'document')
}
