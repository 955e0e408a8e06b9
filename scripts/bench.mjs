import { build, checkNode, install, run } from './prepare.mjs'

/** Measured speed: the core alone, then the screen in a browser. */
checkNode()
install()
build()
run('npx', ['tsx', 'bench/core.ts'])
run('npx', ['tsx', 'bench/loess.ts'])
run('npx', ['tsx', 'bench/smoothing.ts'])
run('npx', ['tsx', 'bench/arima.ts'])
run('npx', ['tsx', 'bench/catalogue.ts'])
run('npx', ['tsx', 'bench/intake.ts'])
run('npx', ['tsx', 'bench/workbook.ts'])
run('node', ['bench/waits.mjs'])
run('node', ['bench/repaint.mjs'])
run('node', ['bench/worklist.mjs'])
