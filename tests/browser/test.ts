import { test as base } from '@playwright/test'
import { factory } from './making/factory'
import { processorSeconds } from './making/processorTime'

/** A test gives back what was made for it, however it ends, and tells how much of its time was computing. */
export const test = base.extend<{ leaving: undefined }>({
  leaving: [
    // Its first parameter says by its form which other fixtures it needs: none.
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, info) => {
      const before = processorSeconds(process.pid)
      await use(undefined)
      await factory.leave()
      info.annotations.push({ type: 'computing', description: String(processorSeconds(process.pid) - before) })
    },
    { auto: true },
  ],
})

export { expect } from '@playwright/test'
