import { createHash } from 'node:crypto'
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = fileURLToPath(new URL('..', import.meta.url))
const OLDEST_NODE = [20, 19]
const SERVER = join(ROOT, '.output', 'server', 'index.mjs')
/** What the built application is made of. */
const BUILT_FROM = ['app', 'core', 'handover', 'intake', 'public', 'server', 'shared']
const BUILT_FROM_FILES = [
  'nuxt.config.ts',
  'scripts/chunks.mjs',
  'scripts/workers.mjs',
  'package.json',
  'package-lock.json',
]

/** Ends the program with a sentence a person can act on. */
export function stop(sentence) {
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

/** Refuses a Node.js that is too old for what is installed here. */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  const [oldMajor, oldMinor] = OLDEST_NODE
  if (major < oldMajor || (major === oldMajor && minor < oldMinor)) {
    stop(
      `Elvant needs Node.js ${OLDEST_NODE.join('.')} or later; this is ${process.versions.node}.`,
    )
  }
}

/** Installs the packages of the lock file, unless they are those already. */
export function install() {
  onlyWhenChanged(
    'packages',
    fingerprint([], ['package.json', 'package-lock.json']),
    'node_modules',
    () => {
      say('Installing packages; the first time this takes a few minutes…')
      // The database driver is compiled here; a ready-made binary would have to be fetched.
      run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
        npm_config_build_from_source: 'true',
      })
    },
  )
}

/** Builds the application, unless it is built from these sources already. */
export function build() {
  const files = BUILT_FROM.flatMap(filesBelow).filter((file) => !file.endsWith('.test.ts'))
  onlyWhenChanged('build', fingerprint(files, BUILT_FROM_FILES), SERVER, () => {
    say('Building…')
    run('npx', ['nuxt', 'build', '--logLevel=silent'], { NUXT_TELEMETRY_DISABLED: '1' })
  })
}

/** Runs a command of the project; ends the program when it fails. */
export function run(command, words, environment = {}) {
  const { status, error } = spawnSync(command, words, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  })
  if (error || status !== 0) {
    stop(`"${command} ${words.join(' ')}" failed${error ? `: ${error.message}` : ''}.`)
  }
}

export function say(sentence) {
  process.stderr.write(`${sentence}\n`)
}

/** Does a step unless its mark says it was done for the same contents. */
function onlyWhenChanged(step, contents, product, act) {
  const mark = join(ROOT, '.cache', `${step}.mark`)
  const done = existsSync(mark) && readFileSync(mark, 'utf8') === contents
  if (done && existsSync(join(product.startsWith('/') ? '' : ROOT, product))) return
  try {
    mkdirSync(dirname(mark), { recursive: true })
  } catch (error) {
    stop(
      `The folder ${ROOT} cannot be written (${error.code}). Elvant installs and builds itself there.`,
    )
  }
  act()
  writeFileSync(mark, contents)
}

function fingerprint(files, more) {
  const hash = createHash('sha256').update(process.versions.modules)
  for (const file of [...files, ...more].sort()) {
    hash.update(file).update(readFileSync(join(ROOT, file)))
  }
  return hash.digest('hex')
}

function filesBelow(folder) {
  return readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name).slice(ROOT.length))
}
