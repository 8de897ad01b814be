import { readdirSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { defineConfig } from '@playwright/test'
import { shuffled } from './tests/browser/making/shuffled'

// Machines that others share stall now and then: there all that is waited for may take longer.
const isShared = process.env.CI !== undefined
const patience = isShared ? 2.5 : 1

/** These stop what all others stand on, so they come last. */
const SHAKEN = 'shaken.spec.ts'

/** The others come in groups, by a seed that is printed: none may lean on what another has left. A worker begins anew with each group. */
const GROUPS = 4
const specs = readdirSync('tests/browser').filter((name) => name.endsWith('.spec.ts') && name !== SHAKEN)
const order = shuffled(specs, Number(process.env.WELKION_SEED ?? 1))
const groups = Array.from({ length: GROUPS }, (_, i) => ({
  name: `group ${i + 1}`,
  testMatch: order.filter((_, at) => at % GROUPS === i),
}))

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'var/playwright',
  // Each test has a teacher and benches of its own: they need no copy of their own, and no order.
  fullyParallel: true,
  workers: Number(process.env.WELKION_WORKERS ?? availableParallelism() + (isShared ? 0 : 1)),
  projects: [
    ...groups,
    { name: 'shaken', testMatch: SHAKEN, fullyParallel: false, dependencies: groups.map(({ name }) => name) },
  ],
  // A test that needs another try is reported as flaky. Where others take nine tenths of a machine for minutes, that is no mistake of the test.
  retries: isShared ? 2 : 0,
  timeout: patience * 120_000,
  expect: { timeout: patience * 10_000 },
  reporter: [['list'], ['./tests/browser/making/timesReporter.ts', { file: 'var/log/test-times-browser.tsv' }]],
  use: {
    baseURL: process.env.WELKION_ADDRESS ?? 'http://127.0.0.1:8420',
    viewport: { width: 1280, height: 800 },
    // Recorded all along it would take a third of the time of the tests.
    trace: 'on-first-retry',
    // A view is judged as it stands, not half way through a fade.
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: patience * 15_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
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
