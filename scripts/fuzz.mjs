import { build, checkNode, install, run } from './prepare.mjs'

/** Reads thousands of spoiled files and of files whose content is known, answers thousands of malformed requests, is killed over its writes; bounded in count and time. */
checkNode()
install()
build()
run('npx', ['tsx', 'fuzz/intake.ts'])
run('npx', ['tsx', 'fuzz/families.ts'])
run('npx', ['tsx', 'fuzz/requests.ts'])
run('npx', ['tsx', 'fuzz/kills.ts'])
