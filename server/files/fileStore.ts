import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { Refusal } from '../../core/refusal'
import type { Database } from '../database/open'
import { files } from '../database/schema'

/** Keeps a file as it was brought in. */
export function keepFile(db: Database, name: string, packed: Buffer): string {
  const id = randomUUID()
  db.insert(files).values({ id, name, packed, createdAt: new Date() }).run()
  return id
}

/** @throws Refusal for a file that is not kept */
export function requireFile(db: Pick<Database, 'select'>, id: string): void {
  if (db.select({ id: files.id }).from(files).where(eq(files.id, id)).get()) return
  throw new Refusal('There is no kept file of this id. Keep the file first.', 'fileId')
}

/** A kept file, packed; undefined when there is no such file. */
export function findFile(db: Database, id: string): { name: string; packed: Buffer } | undefined {
  return db
    .select({ name: files.name, packed: files.packed })
    .from(files)
    .where(eq(files.id, id))
    .get()
}
