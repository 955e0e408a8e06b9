import { mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const ROOT = fileURLToPath(new URL('..', import.meta.url))
/** Folders whose sources end up in the command line. */
const SOURCES = ['bin', 'core', 'intake', 'shared', 'handover', 'server']
/** As deep below the root as `bin/commands`, so that paths from a module mean the same. */
const FOLDER = join(ROOT, '.cache', 'cli')
/** The program, and what its threads run; the program last, as it stands for all. */
const FILES = ['catalogueWorker', 'program']
const COMPILED = join(FOLDER, 'program.mjs')

/**
 * The command line as one compiled file, and one for its threads, compiled again when a source is newer. Loading one file
 * instead of hundreds is what lets a command start in a fraction of a second.
 *
 * @returns {Promise<string>} the address to import it from
 */
export async function compiledProgram() {
  const address = pathToFileURL(COMPILED).href
  if (modified(COMPILED) >= newestSource()) return address
  const { build } = await import('esbuild')
  // Compiled beside and renamed, so that two commands at once never read half a file.
  const draft = join(FOLDER, String(process.pid))
  try {
    mkdirSync(draft, { recursive: true })
    await build({
      entryPoints: FILES.map((name) => join(ROOT, 'bin', `${name}.ts`)),
      outdir: draft,
      outExtension: { '.js': '.mjs' },
      bundle: true,
      // Native code, loaded only by the commands that open the database or draw dots.
      external: ['better-sqlite3', '@resvg/resvg-js'],
      platform: 'node',
      target: 'node20',
      format: 'esm',
      logLevel: 'silent',
      banner: {
        js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
      },
    })
    for (const name of FILES) renameSync(join(draft, `${name}.mjs`), join(FOLDER, `${name}.mjs`))
    rmSync(draft, { recursive: true, force: true })
  } catch (error) {
    rmSync(draft, { recursive: true, force: true })
    process.stderr.write(`The command line could not be prepared in ${FOLDER}: ${error.message}\n`)
    process.exit(1)
  }
  return address
}

function newestSource() {
  const files = SOURCES.flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true }).map((name) => join(ROOT, folder, name)),
  )
  const sources = files.filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  const own = [join(ROOT, 'package-lock.json'), fileURLToPath(import.meta.url)]
  return Math.max(...[...own, ...sources].map(modified))
}

/** Time of the last change, 0 for a file that is not there. */
function modified(file) {
  return statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? 0
}
