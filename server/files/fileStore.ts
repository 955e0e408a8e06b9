import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { Database } from '../database/open'
import { files } from '../database/schema'

/** Keeps a file as it was brought in. */
export function keepFile(db: Database, name: string, packed: Buffer): string {
  const id = randomUUID()
  db.insert(files).values({ id, name, packed, createdAt: new Date() }).run()
  return id
}

/** A kept file, packed; undefined when there is no such file. */
export function findFile(db: Database, id: string): { name: string; packed: Buffer } | undefined {
  return db
    .select({ name: files.name, packed: files.packed })
    .from(files)
    .where(eq(files.id, id))
    .get()
}
