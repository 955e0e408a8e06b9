import { existsSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { build, checkNode, install, run, say, stop } from './prepare.mjs'

/** Every check of the project, from a fresh clone on: style, types, unit and browser tests. */
const CHROMIUM = '/usr/bin/chromium'
/** The folders whose imports are checked for circles and direction. */
const IMPORTING = ['app', 'core', 'intake', 'shared', 'handover', 'server', 'bin']

checkNode()
install()
step('Style', () => {
  run('npx', ['prettier', '--check', '--log-level=warn', '.'])
  run('npx', ['eslint', '--max-warnings=0', '.'])
  run('npx', ['depcruise', '--config', '.dependency-cruiser.mjs', ...IMPORTING])
})
step('Types', () => {
  run('npx', ['nuxt', 'prepare', '--logLevel=silent'], { NUXT_TELEMETRY_DISABLED: '1' })
  run('npx', ['tsc', '-p', 'tsconfig.code.json'])
  run('npx', ['vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.app.json'])
  run('npx', ['tsc', '--noEmit', '-p', '.nuxt/tsconfig.server.json'])
})
step('Unit tests', () => run('npx', ['vitest', 'run']))
step('Browser tests', () => {
  findChromium()
  build()
  run('npx', ['playwright', 'test'])
})

function step(name, act) {
  const started = Date.now()
  say(`— ${name}`)
  act()
  say(`— ${name}: passed in ${Math.round((Date.now() - started) / 1000)} s`)
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
