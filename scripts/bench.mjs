import { build, checkNode, install, ROOT, run } from './prepare.mjs'

/** Measured speed: the core alone, then the screen in a browser. */
checkNode()
install()
build()
run('node', [await compiled('core')])
run('npx', ['tsx', 'bench/loess.ts'])
run('npx', ['tsx', 'bench/smoothing.ts'])
run('npx', ['tsx', 'bench/arima.ts'])
run('node', [await compiled('calendar')])
run('node', [await compiled('catalogue')])
run('npx', ['tsx', 'bench/intake.ts'])
run('npx', ['tsx', 'bench/workbook.ts'])
run('node', ['bench/waits.mjs'])
run('node', ['bench/repaint.mjs'])
run('node', ['bench/worklist.mjs'])

/** A benchmark as one file, as the server and the command line run the same code: without the names that a debugger keeps. */
async function compiled(name) {
  const { build: compile } = await import('esbuild')
  const outfile = `${ROOT}.cache/bench/${name}.cjs`
  await compile({
    ...{ entryPoints: [`${ROOT}bench/${name}.ts`], outfile, bundle: true },
    ...{ platform: 'node', target: 'node20', format: 'cjs', logLevel: 'warning' },
  })
  return outfile
}
