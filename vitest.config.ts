import { defineConfig } from 'vitest/config'

export default defineConfig({
  // Times of day are told in the zone of whoever looks; here that is always the same one.
  test: {
    include: ['resources/js/**/*.test.{ts,tsx}'],
    setupFiles: ['resources/js/testing/setup.ts'],
    env: { TZ: 'UTC' },
  },
})
