import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** The real server on an empty database of its own. */
process.env.ELVANT_DATA = join(mkdtempSync(join(tmpdir(), 'elvant-e2e-')), 'elvant.sqlite')
process.env.NITRO_HOST = '127.0.0.1'
process.env.NITRO_PORT = process.env.ELVANT_PORT
await import('../.output/server/index.mjs')
