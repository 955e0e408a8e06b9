import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const root = fileURLToPath(new URL('.', import.meta.url))

export default defineConfig({
  resolve: { alias: { '~~': root, '~': `${root}app` } },
  test: {
    // Properties run hundreds of times and some tests start programs: a busy machine needs its time.
    testTimeout: 60_000,
    // Files share what they import: to load the core anew for each takes as long as the tests themselves.
    isolate: false,
    // Without it one processor of two is left idle; a build that runs beside has its share.
    maxWorkers: '100%',
    include: ['{core,intake,shared,handover,server,app,bin,demo,reference,scripts}/**/*.test.ts'],
  },
})
