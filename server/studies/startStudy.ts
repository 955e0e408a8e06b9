import { randomUUID } from 'node:crypto'
import type { MethodDocument } from '../../core/method'
import type { Database } from '../database/open'
import { studies } from '../database/schema'

/** Starts a study of a series with a method. */
export function startStudy(
  db: Pick<Database, 'insert'>,
  seriesId: string,
  method: MethodDocument,
): string {
  const id = randomUUID()
  const now = new Date()
  db.insert(studies)
    .values({
      id,
      seriesId,
      method,
      version: 1,
      createdAt: now,
      updatedAt: now,
    })
    .run()
  return id
}
