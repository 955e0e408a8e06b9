import { resolve } from 'node:path'
import { defineNitroPlugin } from 'nitropack/runtime'
import { closeDatabase, useDatabase } from '../database/current'
import { openDatabase } from '../database/open'
import { log } from '../http/log'
import { keepDemo } from '../series/demo'

/** Opens the database when the server starts, and fills a new one with the demo. */
export default defineNitroPlugin((nitro) => {
  const path = resolve(process.env.ELVANT_DATA ?? 'data/elvant.sqlite')
  try {
    const opened = openDatabase(path, resolve('server/database/migrations'))
    useDatabase(opened)
    log.debug({ path, isNew: opened.isNew }, 'database open')
    if (opened.isNew && process.env.ELVANT_DEMO !== 'none')
      keepDemo(opened.db, resolve('demo/files'))
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`)
    process.exit(1)
  }
  nitro.hooks.hook('close', closeDatabase)
})
