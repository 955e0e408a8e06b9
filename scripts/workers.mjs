import { build } from 'esbuild'
import { join } from 'node:path'

/**
 * Makes the script that the server's threads run, one file beside the server.
 *
 * @param folder of the built server
 */
export async function buildWorkers(folder) {
  const outfile = join(folder, 'work.mjs')
  await build({
    entryPoints: ['server/work/worker.ts'],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Compiled for this machine, and laid beside the server by its own build.
    external: ['better-sqlite3'],
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
    logLevel: 'error',
  })
  return outfile
}
