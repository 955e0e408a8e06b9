import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test as base } from '@playwright/test'

export { expect } from '@playwright/test'

/** A busy machine needs its time to start a server with the demo in it. */
const STARTS_WITHIN_MS = 60_000

/**
 * A test on the real server with an empty database of its own, the demo in it: every file of tests is a
 * project of its own, and so has a worker, a server and a database that no other file sees.
 */
export const test = base.extend<object, { address: string }>({
  address: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'elvant-e2e-'))
      const port = await freePort()
      const address = `http://127.0.0.1:${port}`
      const server = await startServer(join(folder, 'elvant.sqlite'), port)
      try {
        await use(address)
      } finally {
        server.kill()
        rmSync(folder, { recursive: true, force: true })
      }
    },
    { scope: 'worker', timeout: STARTS_WITHIN_MS },
  ],
  baseURL: ({ address }, use) => use(address),
})

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo
      probe.close(() => resolve(port))
    })
  })
}

/**
 * Starts the built server; resolves once it answers.
 *
 * @param data file of its database
 * @param environment more of it
 */
export async function startServer(
  data: string,
  port: number,
  environment: Record<string, string> = {},
): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    stdio: 'ignore',
    env: {
      ...process.env,
      ELVANT_DATA: data,
      NITRO_HOST: '127.0.0.1',
      NITRO_PORT: String(port),
      ...environment,
    },
  })
  const ends = Date.now() + STARTS_WITHIN_MS
  while (Date.now() < ends && server.exitCode === null) {
    try {
      // Whatever it answers, it does so only once its database is open.
      await fetch(`http://127.0.0.1:${port}/api/v1/series/trash`)
      return server
    } catch {
      // It does not listen yet.
    }
    await new Promise((next) => setTimeout(next, 100))
  }
  throw new Error('The server did not start.')
}
