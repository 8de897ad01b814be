import { defineConfig } from '@playwright/test'

/** Started copies, one a line: address and folder. Each worker has one of its own; what a test leaves at a bench no other one meets. */
const copies = (process.env.WELKION_COPIES ?? '').split('\n').filter((line) => line !== '')
const [address, folder] = (copies[Number(process.env.TEST_PARALLEL_INDEX ?? 0)] ?? '').split(/ (.*)/)
if (address !== undefined && folder !== undefined) {
  Object.assign(process.env, { WELKION_ADDRESS: address, WELKION_VAR: folder })
}

// Machines that others share stall now and then, and a bench that runs sixty times as fast as the clock falls behind: there all that is waited for may take longer.
const isShared = process.env.CI !== undefined
const patience = isShared ? 2.5 : 1

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'var/playwright',
  workers: Math.max(1, copies.length),
  // A test that needs its second try is reported as flaky.
  retries: isShared ? 1 : 0,
  timeout: patience * 120_000,
  expect: { timeout: patience * 10_000 },
  reporter: [['list']],
  use: {
    baseURL: process.env.WELKION_ADDRESS ?? 'http://127.0.0.1:8420',
    viewport: { width: 1280, height: 800 },
    // Recorded all along it would take a third of the time of the tests.
    trace: 'on-first-retry',
    // A view is judged as it stands, not half way through a fade.
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: patience * 15_000,
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
