import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests',
  testMatch: '*.spec.ts',
  fullyParallel: true,
  workers: 2,
  // Limits only, never waits: they tell what hangs, and a busy machine may take its time.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  retries: 0,
  forbidOnly: true,
  outputDir: 'test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    actionTimeout: 60_000,
    // The app's files are kept in tests of that only: a worker fetches all of them first.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
})
