import { build, checkNode, install, run } from './prepare.mjs'

/** Reads thousands of spoiled files, and answers thousands of malformed requests; bounded in count and time. */
checkNode()
install()
build()
run('npx', ['tsx', 'fuzz/intake.ts'])
run('npx', ['tsx', 'fuzz/requests.ts'])
