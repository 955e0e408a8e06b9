import { resolve } from 'node:path'
import { defineNitroPlugin } from 'nitropack/runtime'
import { closeDatabase, useDatabase } from '../database/current'
import { clearLeftovers } from '../database/leftovers'
import { openAsCanBe } from '../database/openToRead'
import { log } from '../http/log'
import { keepDemo } from '../shelf/demo'
import { takeUpRun } from '../work/catalogueRun'
import { endWorkers, readyWorkers, useWorkers } from '../work/pool'

/** Opens the database when the server starts, and fills a new one with the demo. */
export default defineNitroPlugin((nitro) => {
  const path = resolve(process.env.ELVANT_DATA ?? 'data/elvant.sqlite')
  try {
    const opened = openAsCanBe(path, resolve('server/database/migrations'))
    useDatabase(opened)
    log.debug({ path, isNew: opened.isNew }, 'database open')
    if (opened.readOnly) {
      const { file, says, helps } = opened.readOnly
      log.warn(`${file} is only read: ${says}. ${helps}`)
    } else {
      clearLeftovers(path)
      if (process.env.ELVANT_DEMO !== 'none')
        keepDemo(opened, resolve('demo/files'), resolve('demo/lists'))
    }
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`)
    process.exit(1)
  }
  useWorkers(resolve('.output/server/work.mjs'))
  readyWorkers()
  takeUpRun()
  nitro.hooks.hook('close', async () => {
    closeDatabase()
    await endWorkers()
  })
})
