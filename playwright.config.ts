import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'var/playwright',
  // One simulated bench serves all tests, one after the other.
  workers: 1,
  // Shared machines stall now and then; a test that needs its second try is reported as flaky.
  retries: process.env.CI === undefined ? 0 : 1,
  timeout: 120_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  use: {
    baseURL: process.env.WELKION_ADDRESS ?? 'http://127.0.0.1:8420',
    viewport: { width: 1280, height: 800 },
    // Recorded all along it would take a third of the time of the tests.
    trace: 'on-first-retry',
    // A view is judged as it stands, not half way through a fade.
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: 15_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
