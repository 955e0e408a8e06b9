import { randomUUID } from 'node:crypto'
import { METHOD_FORMAT } from '../../core/method'
import type { Database } from '../database/open'
import { studies } from '../database/schema'

/** Starts a study of a series with the default method. */
export function startStudy(db: Pick<Database, 'insert'>, seriesId: string): string {
  const id = randomUUID()
  const now = new Date()
  db.insert(studies)
    .values({
      id,
      seriesId,
      method: { format: METHOD_FORMAT },
      version: 1,
      createdAt: now,
      updatedAt: now,
    })
    .run()
  return id
}
