#!/usr/bin/env node
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

if (!existsSync(fileURLToPath(new URL('../node_modules/esbuild', import.meta.url)))) {
  process.stderr.write('Elvant is not installed yet. Run "npm ci" in its folder first.\n')
  process.exit(1)
}

const { compiledProgram } = await import('./compile.mjs')
const { runProgram } = await import(await compiledProgram())
process.exitCode = await runProgram(process.argv.slice(2))
