import { existsSync } from 'node:fs'
import { spawn, spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { build, checkNode, install, run, say, stop } from './prepare.mjs'

/** Every check of the project, from a fresh clone on: style, types, unit and browser tests. */
const CHROMIUM = '/usr/bin/chromium'
/** The folders whose imports are checked for circles and direction. */
const IMPORTING = ['app', 'core', 'intake', 'shared', 'handover', 'server', 'bin']

/** What is checked, by name; a step can be run by itself: `node scripts/test.mjs Style`. */
const STEPS = {
  Style() {
    run('npx', ['prettier', '--check', '--log-level=warn', '.'])
    run('npx', ['eslint', '--max-warnings=0', '.'])
    run('npx', ['depcruise', '--config', '.dependency-cruiser.mjs', ...IMPORTING])
  },
  Types() {
    run('npx', ['nuxt', 'prepare', '--logLevel=silent'], { NUXT_TELEMETRY_DISABLED: '1' })
    run('npx', ['tsc', '-p', 'tsconfig.code.json'])
    run('npx', ['vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.app.json'])
    run('npx', ['tsc', '--noEmit', '-p', '.nuxt/tsconfig.server.json'])
  },
  Unit() {
    run('npx', ['vitest', 'run'])
  },
  Build() {
    build()
  },
  Browser() {
    run('npx', ['playwright', 'test'])
  },
}

const [, , only] = process.argv
if (only) STEPS[only]()
else {
  checkNode()
  install()
  findChromium()
  await sideBySide('Style', 'Types')
  await sideBySide('Unit', 'Build')
  await sideBySide('Browser')
}

/** Runs steps that do not need each other at the same time; ends the program when one fails. */
async function sideBySide(...names) {
  const ends = names.map((name) => {
    const started = Date.now()
    say(`— ${name}`)
    const step = spawn(process.execPath, [fileURLToPath(import.meta.url), name], {
      stdio: 'inherit',
    })
    return new Promise((resolve) =>
      step.on('close', (status) => {
        const seconds = Math.round((Date.now() - started) / 1000)
        say(`— ${name}: ${status === 0 ? 'passed' : 'FAILED'} in ${seconds} s`)
        resolve(status === 0)
      }),
    )
  })
  if (!(await Promise.all(ends)).every(Boolean)) stop(`Failed: ${names.join(' or ')}; see above.`)
}

/** Chromium comes from Debian's packages; where that is not allowed, it must be there already. */
function findChromium() {
  if (existsSync(CHROMIUM)) return
  say('Installing Chromium…')
  const isRoot = process.getuid?.() === 0
  const apt = (...words) =>
    spawnSync(isRoot ? 'apt-get' : 'sudo', isRoot ? words : ['-n', 'apt-get', ...words], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  apt('update')
  apt('install', '-y', '--no-install-recommends', 'chromium')
  if (!existsSync(CHROMIUM)) {
    stop(
      `The browser tests need ${CHROMIUM}. Install the package chromium and run the tests again.`,
    )
  }
}
