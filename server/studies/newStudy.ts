import { randomUUID } from 'node:crypto'
import type { MethodDocument } from '../../core/method'
import type { studies } from '../database/schema'

/**
 * The first study of a series, as a row to be kept.
 *
 * @param toBegin whether another method is to be found for it by rule
 */
export function newStudy(
  seriesId: string,
  method: MethodDocument,
  toBegin: boolean,
  createdAt: Date,
): typeof studies.$inferInsert {
  return {
    ...{ id: randomUUID(), seriesId, method, toBegin, version: 1 },
    ...{ createdAt, updatedAt: createdAt },
  }
}
