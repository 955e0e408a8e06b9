import { checkNode, install, run } from './prepare.mjs'

/** Reads thousands of spoiled files, bounded in count and time. */
checkNode()
install()
run('npx', ['tsx', 'fuzz/intake.ts'])
