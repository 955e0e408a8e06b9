import { randomUUID } from 'node:crypto'
import type { MethodDocument } from '../../core/method'
import type { Database } from '../database/open'
import { studies } from '../database/schema'

/**
 * Starts a study of a series with a method.
 *
 * @param toBegin whether another method is to be found for it by rule
 */
export function startStudy(
  db: Pick<Database, 'insert'>,
  seriesId: string,
  method: MethodDocument,
  toBegin = false,
): string {
  const id = randomUUID()
  const now = new Date()
  db.insert(studies)
    .values({
      id,
      seriesId,
      method,
      toBegin,
      version: 1,
      createdAt: now,
      updatedAt: now,
    })
    .run()
  return id
}
