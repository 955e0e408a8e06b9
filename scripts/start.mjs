import { accessSync, constants, existsSync, mkdirSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, resolve } from 'node:path'
import { build, checkNode, install, ROOT, stop } from './prepare.mjs'

/** Installs, builds and serves Elvant; each step only when it is needed. */
checkNode()
process.chdir(ROOT)
const host = process.env.ELVANT_HOST ?? '127.0.0.1'
const port = Number(process.env.ELVANT_PORT ?? 4300)
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  stop(`ELVANT_PORT is "${process.env.ELVANT_PORT}"; it must be a number from 1 to 65535.`)
}
const data = resolve(process.env.ELVANT_DATA ?? 'data/elvant.sqlite')
checkWritable(data)
await checkPort()
install()
build()

process.env.NITRO_HOST = host
process.env.NITRO_PORT = String(port)
process.env.ELVANT_DATA = data
const shown = host.includes(':') ? `[${host}]` : host === '0.0.0.0' ? '127.0.0.1' : host
// The server says where it listens in its own words; here one line is enough.
const log = console.log
console.log = (...words) => {
  if (!String(words[0]).startsWith('Listening on')) return log(...words)
  log(`Elvant is ready: http://${shown}:${port}`)
  console.log = log
}
await import(resolve('.output/server/index.mjs'))

function checkWritable(file) {
  // What is there can be read in any case; the server says what it cannot write.
  if (existsSync(file)) return
  try {
    mkdirSync(dirname(file), { recursive: true })
    accessSync(dirname(file), constants.W_OK)
  } catch (error) {
    stop(
      `The data cannot be kept in ${file} (${error.code}). Set ELVANT_DATA to a file that can be written.`,
    )
  }
}

function checkPort() {
  return new Promise((free) => {
    const probe = createServer()
    probe.once('error', (error) => {
      if (error.code === 'EADDRINUSE') {
        stop(
          `Port ${port} is taken, perhaps by an Elvant that is running already. Set ELVANT_PORT to another.`,
        )
      }
      stop(
        `Elvant cannot listen on ${host}:${port} (${error.code}). Set ELVANT_HOST and ELVANT_PORT.`,
      )
    })
    probe.listen(port, host, () => probe.close(free))
  })
}
