import { readFileSync, readdirSync } from 'node:fs'
import { defineConfig } from 'vitest/config'

const tests = readdirSync('resources/js', { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.test\.tsx?$/.test(file))
  .map((file) => `resources/js/${file}`)
/** Those that need a page to stand on say so in their first line. */
const onPage = tests.filter((file) => readFileSync(file, 'utf8').includes('@vitest-environment jsdom'))

export default defineConfig({
  test: {
    // Times of day are told in the zone of whoever looks; here that is always the same one.
    env: { TZ: 'UTC' },
    pool: 'threads',
    reporters: ['default', ['json', { outputFile: 'var/log/test-times-screens.json' }]],
    sequence: { shuffle: { files: true, tests: true } },
    projects: [
      {
        extends: true,
        // Pure functions leave nothing behind: they need no world of their own each.
        test: { name: 'pure', include: tests.filter((file) => !onPage.includes(file)), isolate: false },
      },
      {
        extends: true,
        test: { name: 'on a page', include: onPage, isolate: false, setupFiles: ['resources/js/testing/setup.ts'] },
      },
    ],
  },
})
