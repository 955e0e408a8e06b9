import { defineConfig } from '@playwright/test'

const PORT = 4391

export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  outputDir: 'test-results',
  timeout: 30_000,
  // One server with one database: the tests follow each other.
  workers: 1,
  reporter: 'list',
  forbidOnly: Boolean(process.env.CI),
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update'],
    },
  },
  webServer: {
    command: 'node e2e/server.mjs',
    url: `http://127.0.0.1:${PORT}/api/v1/series`,
    env: { ELVANT_PORT: String(PORT) },
    reuseExistingServer: false,
    stdout: 'ignore',
  },
})
