import { readdirSync } from 'node:fs'
import { defineConfig } from '@playwright/test'

/** Every file of tests is a project of its own, with a server and a database of its own. */
const files = readdirSync('e2e').filter((file) => file.endsWith('.spec.ts'))

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // A machine that others work on too is several times as slow as an idle one.
  timeout: 240_000,
  expect: { timeout: 20_000 },
  workers: 2,
  reporter: 'list',
  forbidOnly: Boolean(process.env.CI),
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What slides in is waited for at every click: here it stands at once.
    contextOptions: { reducedMotion: 'reduce' },
    // A trace of every step takes a quarter of the time; the picture says most of it.
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update'],
    },
  },
  projects: files.map((file) => ({ name: file.replace('.spec.ts', ''), testMatch: file })),
})
