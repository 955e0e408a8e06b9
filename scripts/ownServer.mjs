import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/**
 * Starts the built server for a benchmark or a fuzz.
 *
 * @param port to listen on
 * @param data path of its database; an empty one of its own when left out
 * @returns its address, whether it still runs, and how to end it; once it answers
 */
export async function startServer(
  port,
  data = join(mkdtempSync(join(tmpdir(), 'elvant-own-')), 'elvant.sqlite'),
) {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: {
      ...process.env,
      ELVANT_DATA: data,
      ELVANT_DEMO: 'none',
      ELVANT_LOG: 'silent',
      NITRO_HOST: '127.0.0.1',
      NITRO_PORT: String(port),
    },
    stdio: 'ignore',
  })
  let runs = true
  const ended = new Promise((resolve) => server.once('exit', resolve)).then(() => (runs = false))
  const base = `http://127.0.0.1:${port}`
  for (let tries = 0; tries < 100; tries++) {
    const answers = await fetch(`${base}/api/v1/series/trash`).then(
      () => true,
      () => false,
    )
    // Another one that has the port would be asked in its place.
    if (!runs) throw new Error(`The server ended at once: is the port ${port} taken?`)
    if (answers)
      return { base, data, runs: () => runs, stop: (signal) => server.kill(signal), ended }
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  server.kill()
  throw new Error('The server did not start.')
}
