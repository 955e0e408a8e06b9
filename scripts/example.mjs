import { checkNode, install, run } from './prepare.mjs'

/** The demo series through the whole path, in the terminal. */
checkNode()
install()
run('node', ['bin/elvant.mjs', 'example'])
