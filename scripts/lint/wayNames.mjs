import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { buildSync } from 'esbuild'

/** Within the packages, so that those which the lists import are found from there. */
const CACHE = 'node_modules/.cache/elvant'

const LISTS = `
  import { DECOMPOSITION_WAYS } from './core/decompose/ways'
  import { FORECAST_WAYS } from './core/forecast/ways'
  import { TREND_FORM_NAMES } from './core/trend/forms'
  export const decompositions = DECOMPOSITION_WAYS.map(({ name }) => name)
  export const forecasts = FORECAST_WAYS.map(({ name }) => name)
  export const forms = TREND_FORM_NAMES
`

/** The names of all ways of decomposing and of forecasting, and of all forms of trend, from the lists themselves. */
export async function wayNames() {
  const { outputFiles } = buildSync({
    stdin: { contents: LISTS, resolveDir: process.cwd(), loader: 'ts' },
    ...{ bundle: true, write: false, format: 'esm', platform: 'node', packages: 'external' },
  })
  mkdirSync(CACHE, { recursive: true })
  const file = join(CACHE, `wayNames-${process.pid}.mjs`)
  writeFileSync(file, outputFiles[0].text)
  try {
    return await import(pathToFileURL(file).href)
  } finally {
    rmSync(file)
  }
}
